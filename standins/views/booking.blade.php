@extends('page')
@section('body')
    @php($quay = new DateTimeZone('Europe/London'))
    <p><a class="link" href="{{ route('handset', $number) }}">Back to the handset</a></p>
    <div class="flex flex-wrap items-start gap-10 mt-3">
        <form class="panel w-96 max-w-full" method="post" action="{{ route('booking.book', $number) }}" aria-label="Book a lesson">@csrf
            <h2 class="mb-2">Book a lesson</h2>
            <label class="field"><span>Lesson</span><select class="input w-full" name="what">@foreach (\Standins\BookingPage::LESSONS as $what => $price)<option>{{ $what }}</option>@endforeach</select></label>
            <label class="field"><span>With</span><select class="input w-full" name="with">@foreach (\Standins\BookingPage::INSTRUCTORS as $with)<option>{{ $with }}</option>@endforeach</select></label>
            <label class="field"><span>When</span><select class="input w-full" name="from">@foreach ($slots as $slot)<option value="{{ $slot->format('Y-m-d\TH:i:s\Z') }}">{{ $slot->setTimezone($quay)->format('D j M, H:i') }}</option>@endforeach</select></label>
            <label class="field"><span>How many of you</span><input class="input w-20" type="number" min="1" max="6" name="guests" value="1"></label>
            @include('how')
            <button class="btn go">Book it</button>
        </form>
        <section>
            <h2 class="mb-2">Your lessons</h2>
            @forelse ($lessons as $lesson)
                <form class="panel mb-3 w-96 max-w-full" method="post" action="{{ route('booking.change', [$number, $lesson->id]) }}" aria-label="{{ $lesson->what }}">@csrf
                    <p class="mb-2"><b class="font-semibold">{{ $lesson->what }}</b> with {{ $lesson->with }}<br>{{ $lesson->from->setTimezone($quay)->format('D j M, H:i') }}{{ $lesson->cancelled ? ', cancelled' : '' }}</p>
                    @if (! $lesson->cancelled)
                        <label class="field"><span>Another time</span><select class="input w-full" name="from">@foreach ($slots as $slot)<option value="{{ $slot->format('Y-m-d\TH:i:s\Z') }}">{{ $slot->setTimezone($quay)->format('D j M, H:i') }}</option>@endforeach</select></label>
                        @include('how')
                        <div class="flex gap-2"><button class="btn" name="act" value="move">Move it</button><button class="btn" name="act" value="cancel">Cancel it</button></div>
                    @endif
                </form>
            @empty
                <p class="soft">None booked.</p>
            @endforelse
        </section>
    </div>
@endsection
