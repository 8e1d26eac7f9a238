@php use App\Clock\TimeFormatter; @endphp
@php($many = count($people) - $already)
<x-page title="What it comes to">
    <div class="crumb"><a class="link" href="{{ route('people.index') }}">People</a> /</div>
    <h1>{{ $bulk->question() }}</h1>
    <p class="lead mt-2">Of {{ TimeFormatter::count(count($people), 'person', 'people') }} ticked, it is so already for {{ $already === 0 ? 'nobody' : number_format($already) }}: it changes for {{ $many === 0 ? 'nobody' : number_format($many) }}.</p>
    <p class="my-2">@if ($rules->isEmpty())No rule that is on begins by it.@else Rules that begin by it: @foreach ($rules as $rule)<a class="link" href="{{ route('rules.show', $rule) }}">{{ $rule->name }}</a>{{ $loop->last ? '.' : ', ' }}@endforeach They ask of each what else they ask.@endif</p>
    <form class="flex gap-3 mt-4" method="post" action="{{ route('people.bulk.store') }}">@csrf
        @foreach ($people as $id)<input type="hidden" name="ticked[]" value="{{ $id }}">@endforeach
        <input type="hidden" name="name" value="{{ $said['name'] }}"><input type="hidden" name="what" value="{{ $said['what'] }}">
        @if ($many > 0)<button class="btn go">Do it for {{ number_format($many) }}</button>@endif
        <a class="btn" href="{{ route('people.index') }}">Leave it</a></form>
</x-page>
