@extends('page')
@section('body')
    <p><a class="link" href="{{ route('shelf') }}">All handsets</a></p>
    <div class="flex flex-wrap items-start gap-10 mt-3">
        <section class="big-handset w-full" aria-label="Handset">
            @include('texts')
            <form method="post" action="{{ route('handset.write', $number) }}">@csrf
                <label class="sr-only" for="text">Write a text</label>
                <textarea class="input w-full" id="text" name="text" rows="2" required placeholder="Write a text"></textarea>
                @error('text')<p class="error" role="alert">{{ $message }}</p>@enderror
                <div class="flex gap-2 mt-2 flex-wrap"><select class="input" name="to" aria-label="To which line">@foreach ($lines as $line => $name)<option value="{{ $line }}" @selected($line === $lastLine)>{{ $name }}</option>@endforeach</select><button class="btn go">Send</button></div>
            </form>
        </section>
        <section>
            <p class="mb-4 flex gap-2 flex-wrap"><a class="btn" href="{{ route('shop', $number) }}">Look into the shop</a><a class="btn" href="{{ route('booking', $number) }}">Book a lesson</a></p>
            <h2 class="mb-2">Ring a line</h2>
            <form class="panel" method="post" action="{{ route('handset.call', $number) }}">@csrf
                <label class="field"><span>Line</span><select class="input" name="to">@foreach ($lines as $line => $name)<option value="{{ $line }}">{{ $name }}</option>@endforeach</select></label>
                <label class="flex gap-2 items-center mb-1"><input type="checkbox" name="answered" value="1"> somebody answers</label>
                <label class="flex gap-2 items-center mb-3"><input type="checkbox" name="withheld" value="1"> with the number withheld</label>
                @include('how')
                <button class="btn go">Ring, then hang up</button>
            </form>
        </section>
    </div>
@endsection
