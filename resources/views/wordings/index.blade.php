<x-page title="Shared wordings and codes">
    <div class="crumb"><a class="link" href="{{ route('settings.index') }}">Settings</a> /</div>
    <h1>Shared wordings and codes</h1>
    <p class="soft mb-4">Wordings that several rules take turns with, and codes that are given to one person each. Wordings are written here or come in as a file; codes come in as a file.</p>
    <div class="two">
        <section>
            <h2 class="mb-2">Shared wordings</h2>
            <x-error name="pool" />
            @forelse ($pools as $pool)
                <div class="panel mb-3">
                    <div class="head"><h3><a class="link" href="{{ route('pools.edit', $pool->name) }}">{{ $pool->name }}</a></h3><div class="acts"><a class="link sm" href="{{ route('pools.show', $pool->name) }}" download>As a file</a>
                        <form method="post" action="{{ route('pools.destroy', $pool->name) }}">@csrf @method('delete')<button class="btn small">Remove</button></form></div></div>
                    <p class="soft sm">{{ count($pool->wordings) }} {{ count($pool->wordings) === 1 ? 'wording' : 'wordings' }}</p>
                    @foreach (array_slice($pool->wordings, 0, 3) as $wording)<p class="sm mt-1">{{ $wording['text'] }}@if ($wording['most'] ?? null) <span class="soft">at most {{ number_format($wording['most']) }} times</span>@endif</p>@endforeach
                </div>
            @empty
                <x-empty>A pool of wordings will stand here. Bring one in as a table with the columns “text” and “maximum”.</x-empty>
            @endforelse
            <x-pages :list="$pools" />
            <form class="panel mt-3" method="post" action="{{ route('pools.store') }}" aria-label="Begin a pool">@csrf
                <label class="field"><span>Name of a new pool, as rules write it</span><input class="input w-60" name="new" value="{{ old('new') }}" placeholder="spring-greetings" @error('new') aria-invalid="true" @enderror><x-error name="new" /></label>
                <div class="mb-3"><x-hand-words id="pool-new" label="Its first wording" :rows="2" :words="(string) old('text')" :wrong="$errors->first('text') ?: null" /></div>
                <button class="btn">Begin it</button>
            </form>
            <form class="panel mt-3" method="post" action="{{ route('pools.store') }}" enctype="multipart/form-data" aria-label="Bring in wordings">@csrf
                <p class="mb-2">A pool of the same name takes the place of the old one. The same words keep what was counted for them.</p>
                <label class="field"><span>Name, as rules write it</span><input class="input w-60" name="name" value="{{ old('name') }}" placeholder="spring-greetings" @error('name') aria-invalid="true" @enderror><x-error name="name" /></label>
                <label class="field"><span>Table with the columns text and maximum (CSV or XLSX)</span><input class="input w-full" type="file" name="file" @error('file') aria-invalid="true" @enderror><x-error name="file" /></label>
                <button class="btn">Bring them in</button>
            </form>
        </section>
        <aside>
            <h2 class="mb-2">Codes</h2>
            @forelse ($codes as $codeList)
                <p class="mb-2"><a class="link" href="{{ route('codes.show', $codeList->list) }}" download>{{ $codeList->list }}</a><br><span class="soft sm">{{ number_format($codeList->many - $codeList->given) }} left of {{ number_format($codeList->many) }}</span></p>
            @empty
                <p class="soft sm mb-2">None yet.</p>
            @endforelse
            <x-pages :list="$codes" />
            <form method="post" action="{{ route('codes.store') }}" enctype="multipart/form-data" aria-label="Bring in codes">@csrf
                <label class="field"><span>List, as texts write it</span><input class="input w-full" name="list" value="{{ old('list') }}" placeholder="welcome" @error('list') aria-invalid="true" @enderror><x-error name="list" /></label>
                <label class="field"><span>One code a row (CSV or XLSX)</span><input class="input w-full" type="file" name="codes"><x-error name="codes" /></label>
                <button class="btn small">Add codes</button>
            </form>
        </aside>
    </div>
</x-page>
