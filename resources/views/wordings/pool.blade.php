@php($action = route('pools.wordings', $pool->name))
<x-page :title="'Wordings: '.$pool->name">
    <div class="crumb"><a class="link" href="{{ route('settings.index') }}">Settings</a> / <a class="link" href="{{ route('pools.index') }}">Shared wordings and codes</a> /</div>
    <h1>{{ $pool->name }}</h1>
    <p class="soft mb-4">@if ($using->isEmpty())No rule says these yet: a text says “in the wordings of "{{ $pool->name }}"”.@else Said by @foreach ($using as $rule)<a class="link" href="{{ route('rules.show', $rule) }}">{{ $rule->name }}</a>{{ $loop->last ? '' : ', ' }}@endforeach. What is changed here is said from now on.@endif <a class="link" href="{{ route('pools.show', $pool->name) }}" download>As a file</a></p>
    <x-error name="text" />
    <div class="prose wordings !pl-0 max-w-5xl">
        @foreach ($pool->wordings as $wording)
            @php($lost = old('do') === 'change' && old('wording') === $wording['id'] && $errors->any())
            <div><div class="sentence">
                <p class="reads">Wording {{ $loop->iteration }}{{ ($wording['most'] ?? null) ? ', at most '.number_format($wording['most']).' times' : '' }}{{ ($wording['weight'] ?? 1) !== 1 ? ', weight '.$wording['weight'] : '' }}</p>
                <div class="letter"><div x-data="wording">
                    <div x-show="!editing" @if ($lost) hidden @endif class="whitespace-pre-line">@if ($page)<x-words :words="$page->template($wording['text'])" :tokens="$page->tokens()" />@else{{ $wording['text'] }}@endif</div>
                    <form method="post" action="{{ $action }}" x-show="editing" @unless ($lost) x-cloak @endunless data-open="{{ $lost ? '1' : '' }}">@csrf<input type="hidden" name="do" value="change"><input type="hidden" name="wording" value="{{ $wording['id'] }}">
                        <div class="flex gap-3 mb-2"><label><span class="label">At most so many times</span><input class="input w-28" type="number" min="1" name="most" value="{{ $lost ? old('most') : $wording['most'] ?? '' }}"></label><label><span class="label">Weight</span><input class="input w-20" type="number" min="0" max="1000" name="weight" value="{{ $lost ? old('weight') : $wording['weight'] ?? 1 }}"></label></div>
                        <x-error name="most" /><x-error name="weight" />
                        <x-word-editor :id="'wording-'.$wording['id']" :words="$lost ? (string) old('text') : $wording['text']" :page="$page" :step="$step" :label="'The words of wording '.$loop->iteration" />
                    </form>
                    <div class="counts"><button class="link scripted" type="button" x-show="!editing" x-on:click="open">Change it</button>
                        <form class="flex gap-3" method="post" action="{{ $action }}">@csrf<input type="hidden" name="wording" value="{{ $wording['id'] }}">
                            @unless ($loop->first)<button class="link" name="do" value="up">Up</button>@endunless @unless ($loop->last)<button class="link" name="do" value="down">Down</button>@endunless @if (count($pool->wordings) > 1)<button class="link" name="do" value="out">Take it out</button>@endif</form></div>
                </div></div>
            </div></div>
        @endforeach
    </div>
    <form class="panel max-w-2xl mt-4" method="post" action="{{ $action }}" aria-label="Add a wording">@csrf<input type="hidden" name="do" value="add">
        <div class="mb-3"><x-hand-words id="wording-new" label="Another wording" :rows="3" :page="$page" :words="(string) (old('do') === 'add' ? old('text') : '')" /></div>
        <div class="flex gap-3 items-end"><label><span class="label">At most so many times</span><input class="input w-28" type="number" min="1" name="most"></label><label><span class="label">Weight</span><input class="input w-20" type="number" min="0" max="1000" name="weight" value="1"></label><button class="btn go">Add it</button></div>
    </form>
</x-page>
