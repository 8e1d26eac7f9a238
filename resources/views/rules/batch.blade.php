@php use App\Clock\TimeFormatter; @endphp
<x-page :title="'To let go: '.$page->rule->name">
    <div class="crumb"><a class="link" href="{{ route('rules.show', $page->rule) }}">{{ $page->rule->name }}</a> /</div>
    <div class="head">
        <h1>{{ $page->many === 0 ? 'Nothing waits to be let go' : ucfirst(TimeFormatter::count($page->many, 'text waits', 'texts wait')).' to be let go' }}</h1>
        @if ($page->many > 0)@can('administer')
            <form class="acts" method="post" action="{{ route('rules.release', $page->rule) }}">@csrf<input type="hidden" name="newest" value="{{ $page->newest }}"><button class="btn go">Let {{ $page->many === 1 ? 'it' : 'all '.$page->many }} go</button></form>
        @endcan @endif
    </div>
    @if ($page->leaving > 0 && $page->leaveAt)
        <div class="panel flex gap-3 items-center flex-wrap mb-4"><x-tone tone="held">{{ ucfirst(TimeFormatter::count($page->leaving, 'text leaves', 'texts leave')) }} at @time($page->leaveAt, 'H:i:s'), as far as the gate lets {{ $page->leaving === 1 ? 'it' : 'them' }}.</x-tone>
            @can('administer')<form method="post" action="{{ route('rules.release.undo', $page->rule) }}">@csrf<button class="btn small">Hold {{ $page->leaving === 1 ? 'it' : 'them' }} back</button></form>@endcan</div>
    @endif
    <p class="soft mb-3">The rule sends nothing by itself{{ $page->askedAt() === null ? '' : ', and asks at '.$page->askedAt().' each day' }}. @if ($page->many > 0)Together {{ TimeFormatter::price($page->micros, \App\Models\Business::current()->currency()) }}. @endif What is never let go never leaves: it waits here until its run ends, by a reply, a stop or its goal, or until somebody skips it. One whose event has passed is dropped when it is let go.</p>
    @forelse ($page->texts() as $text)
        <x-coming-text :text="$text" dated />
    @empty
        @if ($page->many > 0)<p class="soft">Their words are being worked out. Look again in a moment.</p>@endif
    @endforelse
    <x-pages :list="$page->texts()" />
</x-page>
