<nav class="rail" aria-label="Linnet" x-data="rail">
    <div class="rail-bar">
        <a class="brand" href="{{ route('home') }}"><x-bird />Linnet</a>
        <button class="btn small rail-toggle" type="button" x-on:click="toggle" x-bind:aria-expanded="open"><x-icon name="menu" />Menu</button>
    </div>
    <div class="rail-body" x-bind:class="shown">
        @foreach ($places as $place)
            @if ($place === null)
                <div class="gap"></div>
            @else
                <a class="place" href="{{ route($place->route) }}" @if ($place->here) aria-current="page" @endif>{{ $place->name }}@if ($place->count) <b>{{ $place->count }}</b>@endif</a>
            @endif
        @endforeach
        @includeIf('demo::place')
        <div class="foot">
            <a class="link" href="{{ route('account') }}" title="Your hours, who stands in for you, your password"><strong>{{ $staff->name }}</strong></a><br>
            {{ ucfirst($staff->role->value) }}<br>
            <span id="clock-shows">{{ $clockShows }}</span>
            @includeIf('demo::clock')
            <form method="post" action="{{ route('log-out') }}" class="mt-2">
                @csrf
                <button class="link sm">Log out</button> <span class="ml-2" title="Lists the keys"><kbd>?</kbd> keys</span>
            </form>
        </div>
    </div>
</nav>
