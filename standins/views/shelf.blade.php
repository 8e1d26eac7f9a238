@extends('page')
@section('body')
    <form class="filters" method="get" aria-label="Find a handset">
        <label><span class="sm">Name or number</span><input class="input w-60" type="search" name="find" value="{{ $find }}"></label>
        <button class="btn">Find</button>
        <a class="link" href="{{ route('mailbox') }}">Mailbox</a>
    </form>
    <p class="soft sm">Pick up a handset to read what came, write back, or ring one of the lines. Nobody answers on the quay.</p>
    <div class="shelf" id="shelf">
        @forelse ($phones as $phone)
            <a class="phone" href="{{ route('handset', $phone['number']) }}">
                <b class="font-semibold">{{ $phone['name'] }}</b><br>
                <span class="soft sm">{{ $phone['pretty'] }}{{ $phone['handset'] === 'mobile' ? '' : ', '.$phone['handset'] }}</span>
                @if ($phone['last'])<p class="mt-1">{{ $phone['last'] }}</p>@endif
            </a>
        @empty
            <p class="empty">No handset by that name or number.</p>
        @endforelse
    </div>
    <section class="panel mt-6 max-w-xl">
        <h2 class="mb-2">The carrier’s and the number lookup’s manners</h2>
        <form method="post" action="{{ route('manners') }}">@csrf
            @foreach ($manners as $manner)
                <label class="flex gap-2 items-center mb-1"><input type="checkbox" name="manners[]" value="{{ $manner->value }}" @checked($manner->isOn())> {{ $manner->says() }}</label>
            @endforeach
            <button class="btn small mt-2">Behave so</button>
        </form>
    </section>
@endsection
