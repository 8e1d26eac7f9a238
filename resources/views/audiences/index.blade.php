<x-page title="Audiences">
    <div class="crumb"><a class="link" href="{{ route('people.index') }}">People</a> /</div>
    <div class="head"><div><h1>Audiences</h1><p class="soft">Everybody, or everything, of whom something is so: asked anew each time. Rules name them, and texts to several go to them.</p></div></div>
    @if ($audiences->isEmpty())
        <x-empty>None is kept yet. Say below who belongs to the first.</x-empty>
    @else
        <div class="table-wrap mt-3"><table class="table">
            <thead><tr><th scope="col">Audience</th><th scope="col">Who belongs to it</th><th scope="col">Now</th></tr></thead>
            <tbody>@foreach ($audiences as $audience)<tr>
                <td class="whitespace-nowrap"><a class="link" href="{{ route('audiences.show', $audience) }}">{{ $audience->name }}</a></td>
                <td>{{ \App\Audiences\AudienceSentence::write($language, $audience->read()) }}</td>
                <td class="whitespace-nowrap" hx-get="{{ route('audiences.count', $audience) }}" hx-trigger="load"><span class="soft">…</span></td>
            </tr>@endforeach</tbody>
        </table></div>
        <x-pages :list="$audiences" />
    @endif
    @can('administer')
        <h2 class="mt-6 mb-1">Make one</h2>
        <form class="max-w-3xl" method="post" action="{{ route('audiences.store') }}" aria-label="Make an audience">@csrf
            <x-audience-line :value="old('sentence', '')" />
            <label class="field mt-2"><span>Name, by which rules call it</span><input class="input w-60" name="name" maxlength="60" value="{{ old('name') }}" @error('name') aria-invalid="true" @enderror></label><x-error name="name" />
            <p class="mt-2"><button class="btn go">Keep it</button></p>
        </form>
    @endcan
</x-page>
