<x-page title="Kept texts">
    <div class="crumb"><a class="link" href="{{ route('conversations.index') }}">Conversations</a> /</div>
    <h1>Kept texts</h1>
    <p class="soft mb-3">Texts to be written again, found by typing beside the box one writes in. What is filled in, such as their first name or the start of their booking, is chosen with “Fill in…” and comes out for whom it is for, from their newest record.</p>
    <form method="get" action="{{ route('kept-texts.index') }}" class="mb-3"><input class="input w-60" type="search" name="find" value="{{ $find }}" placeholder="Name or words" aria-label="Find by name or words"></form>
    @if ($texts->isEmpty())
        <x-empty>{{ $find === '' ? 'None is kept yet. Keep below what you write again and again.' : 'None of these.' }}</x-empty>
    @else
        <div class="table-wrap"><table class="table">
            <thead><tr><th scope="col">Name</th><th scope="col">Text</th><th scope="col">Whose</th><th scope="col"><span class="sr-only">What can be done</span></th></tr></thead>
            <tbody>@foreach ($texts as $text)<tr>
                <td>{{ $text->name }}</td><td class="max-w-md whitespace-pre-line"><x-words :words="$text->template()" :tokens="$tokens" /></td><td>{{ $text->staff_id === null ? 'everybody’s' : 'yours' }}</td>
                <td>@if ($text->mayBeChangedBy($me))<div class="flex gap-2"><details><summary class="link sm">Change</summary>
                    <form class="mt-2 w-96 max-w-full" method="post" action="{{ route('kept-texts.update', $text) }}">@csrf @method('put')<label><span class="label">Name</span><input class="input w-full" name="name" maxlength="60" value="{{ $text->name }}"></label><div class="mt-2"><x-hand-words :id="'kept-'.$text->id" :words="$text->body" /></div><p class="mt-2"><button class="btn small">Keep</button></p></form></details>
                    <form method="post" action="{{ route('kept-texts.destroy', $text) }}">@csrf @method('delete')<button class="link sm" aria-label="Remove {{ $text->name }}">Remove</button></form></div>@endif</td>
            </tr>@endforeach</tbody>
        </table></div>
        <x-pages :list="$texts" />
    @endif
    <h2 class="mt-6 mb-1">Keep one</h2>
    <form class="max-w-lg" method="post" action="{{ route('kept-texts.store') }}" aria-label="Keep a text">@csrf
        <label><span class="label">Name</span><input class="input w-full" name="name" maxlength="60" value="{{ old('name') }}" @error('name') aria-invalid="true" @enderror></label><x-error name="name" />
        <div class="mt-2"><x-hand-words id="kept-new" :words="(string) old('text')" :wrong="$errors->first('text') ?: null" /></div>
        @can('administer')<label class="flex gap-2 items-center mt-2"><input type="checkbox" class="tick" name="shared" value="1" @checked(old('shared') === '1')> For everybody</label>@endcan
        <p class="mt-2"><button class="btn">Keep it</button></p>
    </form>
</x-page>
