<x-page :title="$audience->name">
    <div class="crumb"><a class="link" href="{{ route('people.index') }}">People</a> / <a class="link" href="{{ route('audiences.index') }}">Audiences</a> /</div>
    <div class="head"><div><h1>{{ $audience->name }}</h1></div>
        <div class="acts flex-wrap">@can('administer')<form method="post" action="{{ route('several.store') }}">@csrf<input type="hidden" name="audience" value="{{ $audience->id }}"><button class="btn go">Write to them</button></form>@endcan</div></div>
    <p class="prose !pl-0">{{ \Linnet\Core\Prose\Line::capital($sentence) }}.</p>
    <p class="my-2"><b hx-get="{{ route('audiences.count', $audience) }}" hx-trigger="load" aria-live="polite">They are being counted</b> as things are now.@if ($usedBy !== []) <span class="soft">Used by @foreach ($usedBy as $i => $rule)<a class="link" href="{{ route('rules.show', $rule) }}">{{ $rule->name }}</a>{{ $i < count($usedBy) - 1 ? ', ' : '.' }}@endforeach</span>@endif</p>
    <x-error name="audience" />
    @can('administer')
        <div class="flex gap-4 flex-wrap mb-3">
            <details class="word" @error('sentence') open @enderror><summary class="link sm">Change who belongs to it</summary>
                <form class="mt-2 w-full max-w-3xl" method="post" action="{{ route('audiences.update', $audience) }}">@csrf @method('put')<x-audience-line :value="old('sentence', $sentence)" /><p class="mt-2"><button class="btn">Keep the change</button></p></form></details>
            <details class="word" @error('list') open @enderror><summary class="link sm">Keep these as a list</summary>
                <form class="change" method="post" action="{{ route('audiences.freeze', $audience) }}">@csrf<label class="label" for="list-name">Those who belong to it now come onto the list</label><div class="row"><input class="input" id="list-name" name="list" maxlength="60" value="{{ old('list', $audience->name.', '.$today) }}"><button class="btn go small">Keep</button></div><x-error name="list" /><p class="soft sm mt-1">A list stays as it is. Rules that begin when somebody comes onto it begin.</p></form></details>
            <form method="post" action="{{ route('audiences.destroy', $audience) }}">@csrf @method('delete')<button class="link sm">Remove the audience</button></form>
        </div>
    @endcan
    @if (count($people) + count($records) === 0)
        <x-empty>{{ count($list) === 0 ? 'Nobody belongs to it now.' : 'Of those on this page nobody belongs to it; on the next somebody may.' }}</x-empty><x-pages :list="$list" />
    @else
        @unless ($isExact)<p class="soft sm">Of the {{ $type === null ? 'people' : mb_strtolower($type->plural) }} below, each was asked about; a page may hold fewer than fifty.</p>@endunless
        <div class="table-wrap"><table class="table dense">
            @if ($type === null)
                <thead><tr><th scope="col">Name</th><th scope="col">Number</th><th scope="col">Email</th></tr></thead>
                <tbody>@foreach ($people as $person)<tr><td><a class="link" href="{{ route('people.show', $person) }}">{{ $person->name() }}</a></td><td class="whitespace-nowrap">{{ $person->number === null ? '–' : \Linnet\Core\Number\Numbers::pretty($person->number->e164) }}</td><td>{{ $person->email ?? '–' }}</td></tr>@endforeach</tbody>
            @else
                <thead><tr><th scope="col">{{ $type->name }}</th><th scope="col">Person</th></tr></thead>
                <tbody>@foreach ($records as $record)<tr><td><a class="link" href="{{ route('records.show', [$type, $record]) }}">{{ $record->called() }}</a></td><td>@if ($record->person !== null)<a class="link" href="{{ route('people.show', $record->person) }}">{{ $record->person->name() }}</a>@endif</td></tr>@endforeach</tbody>
            @endif
        </table></div>
        <x-pages :list="$list" />
    @endif
</x-page>
