@php use App\Clock\TimeFormatter; @endphp
@php($what = ($kind->value === 'tag' ? 'the tag' : 'the list')." “{$name}”")
<x-page title="What it comes to">
    <div class="crumb"><a class="link" href="{{ route('people.index') }}">People</a> /</div>
    <h1>{{ match (true) { $added && $kind->value === 'tag' => "Give $what", $added => "Put them onto $what", $kind->value === 'tag' => "Take $what away", default => "Take them off $what" } }}?</h1>
    <p class="lead mt-2">Of {{ TimeFormatter::count(count($people), 'person', 'people') }} ticked, {{ $added ? ($have === 0 ? 'nobody has it yet' : number_format($have).($have === 1 ? ' has' : ' have').' it already') : ($have === 0 ? 'nobody has it' : number_format($have).($have === 1 ? ' has' : ' have').' it') }}: it changes for {{ $many === 0 ? 'nobody' : TimeFormatter::count($many, 'of them', 'of them') }}.</p>
    <p class="my-2">@if ($rules->isEmpty())No rule that is on begins by it.@else Rules that begin by it: @foreach ($rules as $rule)<a class="link" href="{{ route('rules.show', $rule) }}">{{ $rule->name }}</a>{{ $loop->last ? '.' : ', ' }}@endforeach They ask of each what else they ask.@endif</p>
    <form class="flex gap-3 mt-4" method="post" action="{{ route('people.bulk.store') }}">@csrf
        @foreach ($people as $id)<input type="hidden" name="ticked[]" value="{{ $id }}">@endforeach
        <input type="hidden" name="name" value="{{ $name }}"><input type="hidden" name="what" value="{{ ($added ? 'add ' : 'remove ').$kind->value }}">
        @if ($many > 0)<button class="btn go">Do it for {{ number_format($many) }}</button>@endif
        <a class="btn" href="{{ route('people.index') }}">Leave it</a></form>
</x-page>
