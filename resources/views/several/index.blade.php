<x-page title="Texts to several">
    <div class="crumb"><a class="link" href="{{ route('conversations.index') }}">Conversations</a> /</div>
    <div class="head"><div><h1>Texts to several</h1><p class="soft">One text to an audience, a list or those who were ticked, once. Each person gets it once, and what protects people holds.</p></div>
        <div class="acts flex-wrap"><a class="btn" href="{{ route('audiences.index') }}">Audiences</a>@can('administer')<form method="post" action="{{ route('several.store') }}">@csrf<button class="btn go">Write to several</button></form>@endcan</div></div>
    @if ($texts->isEmpty())
        <x-empty>None was written yet. Begin one here, from an audience, or from rows ticked in People and Records.</x-empty>
    @else
        <div class="table-wrap mt-3"><table class="table">
            <thead><tr><th scope="col">Text</th><th scope="col">To</th><th scope="col">How far</th><th scope="col" class="n">Left</th><th scope="col">Written</th></tr></thead>
            <tbody>@foreach ($pages as $page)@php($several = $page->several)
                <tr><td><a class="link" href="{{ route('several.show', $several) }}">{{ $several->rule->name }}</a></td>
                    <td class="max-w-md">{{ $page->to($language) }}</td>
                    <td class="whitespace-nowrap">@if ($several->isWritten())@tone('plain', 'being written')@elseif ($several->isStopped())@tone('bad', 'stopped')@elseif ($several->isPaused())@tone('held', 'held')@elseif ($page->isUnderWay())@tone('held', 'under way')@else @tone('well', 'done')@endif</td>
                    <td class="n">{{ $several->isWritten() ? '–' : number_format($page->progress()['left']) }}</td>
                    <td class="whitespace-nowrap soft">@time($several->at, 'j M H:i'){{ $several->staff ? ', '.$several->staff->name : '' }}</td></tr>
            @endforeach</tbody>
        </table></div>
        <x-pages :list="$texts" />
    @endif
</x-page>
