@props(['line', 'page', 'failed', 'opened' => false])
@php($writes = Gate::allows('administer') && ! $line->isGoOn())
@php($lost = $failed?->isAt($line))
<div class="sentence" id="line-{{ $line->number }}" data-line="{{ $line->number }}" data-depth="{{ min(max(0, $line->line->depth - 1), 6) }}" @if ($line->texting) data-step="{{ $line->texting->id() }}" @endif @if ($writes && $line->isMovable()) data-movable @endif>
    @if ($line->line->letter)<span class="mark" aria-hidden="true">{{ $line->line->letter }}</span>@endif
    <p class="reads" @if ($writes) tabindex="0" aria-keyshortcuts="Enter F2" @endif>@foreach ($line->pieces() as $i => $piece){{ $piece['space'] }}@if ($piece['part']->kind !== null && $writes)<a class="w" href="{{ route('rules.show', [...$page->query(), 'line' => $line->number]) }}#line-{{ $line->number }}" aria-haspopup="dialog" data-piece="{{ $i }}"
        hx-get="{{ route('rules.choices', [...$page->query(), 'line' => $line->number, 'piece' => $i]) }}" hx-target="#choices-{{ $line->number }}" hx-swap="innerHTML">{{ $piece['said'] }}</a>@else{{ $piece['said'] }}@endif{{ '' }}@endforeach{{ $line->end() }}</p>
    @if ($writes)
        <div class="choices" id="choices-{{ $line->number }}"></div>
        <details class="rewrite" @if ($lost || request()->query('line') === (string) $line->number) open @endif>
            <summary title="Change this sentence"><x-icon name="pencil" /><span class="sr-only">Change this sentence</span></summary>
            <x-write-line :page="$page" do="rewrite" :at="$line->number" :depth="$line->line->depth" :which="$line->which()" :text="$lost ? $failed->text : $line->sentence()" :failed="$lost ? $failed : null" label="This sentence, as you would say it">
                @if ($line->isRemovable())
                    <div class="moves">
                        @if ($line->isMovable())<button class="btn small" name="do" value="up">Up</button><button class="btn small" name="do" value="down">Down</button>
                        @if ($line->line->kind->value === 'steps')<button class="btn small" name="do" value="lift" @disabled($line->line->depth < 2)>Out of its block</button><button class="btn small" name="do" value="nest">Into the block above</button>@endif
                        <button class="btn small" name="do" value="copy">Copy</button>@endif
                        <button class="btn small" name="do" value="remove">Take it out</button>
                    </div>
                @endif
            </x-write-line>
        </details>
    @endif
    @if (($pool = $line->line->words === null ? $line->texting?->outgoing()->wordings->pool : null) !== null)<p class="soft sm mb-2">@can('administer')<a class="link" href="{{ route('pools.edit', $pool) }}">Its shared wordings</a>@else Its shared wordings are “{{ $pool }}”.@endcan</p>@endif
    @if ($line->line->words !== null)<x-letter :line="$line" :page="$page" :failed="$failed" :opened="$opened" />@endif
    @if ($line->texting && $line->line->kind === \Linnet\Core\Prose\LineKind::Steps && $line->line->words === null)<x-picture :step="$line->texting" :page="$page" />@endif
</div>
