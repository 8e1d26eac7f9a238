<x-page :title="$page->title">
    <div class="crumb"><a class="link" href="{{ route('records.index', $page->type) }}">{{ $page->type->plural }}</a> /</div>
    <div class="head"><h1>{{ $page->title }}</h1>
        <div class="acts">
            @if ($page->type->stage_field)<x-tone tone="plain">{{ $page->shown->key($page->type->stage_field, $page->record->values[$page->type->stage_field] ?? null) ?: 'no '.mb_strtolower($page->type->field($page->type->stage_field)?->name ?? 'stage') }}</x-tone>@endif
            @can('converse')@if ($page->record->person_id)<a class="btn" href="{{ route('people.write', ['person' => $page->record->person_id, 'record' => $page->record->id]) }}"><x-icon name="pencil" />Write</a>@endif @endcan
            @can('converse')@can('view')<a class="btn" href="{{ route('records.edit', [$page->type, $page->record]) }}">Change</a>@endcan @endcan
        </div></div>
    @if ($last = $page->lastChange())<p class="soft sm">Last changed @time($last->at, 'D j M Y, H:i'), {{ $last->way->says($last->via) }}.</p>@endif
    <div class="two mt-4">
        <section>
            <dl class="facts !grid-cols-[150px_1fr]">
                @foreach ($page->type->fields as $field)
                    @php($said = $page->shown->key($field->key, $page->record->values[$field->key] ?? null))
                    <dt>{{ $field->name }}</dt><dd class="whitespace-pre-line">@if ($said === '')<span class="soft">–</span>@elseif ($field->kind->value === 'link')<a class="link" href="{{ $said }}" rel="noreferrer noopener">{{ Str::limit($said, 60) }}</a>@elseif ($field->kind->value === 'person')<a class="link" href="{{ route('people.show', (int) $page->record->values[$field->key]) }}">{{ $said }}</a>@else{{ $said }}@endif</dd>
                @endforeach
                @if ($page->record->external_id)<dt>Their name for it</dt><dd>{{ $page->record->external_id }}</dd>@endif
            </dl>
            <h2 class="mt-7 mb-1">Its story</h2>
            <x-story :story="$page->story()" />
        </section>
        <aside>
            <h2 class="mb-1">Whom it is about</h2>
            @foreach ($page->people() as ['field' => $field, 'person' => $person, 'receiver' => $receiver])
                <div class="mb-4">
                    <p>@if (count($page->people()) > 1)<span class="soft">{{ $field->name }}:</span> @endif<a class="link" href="{{ route('people.show', $person) }}">{{ $person->name() }}</a>@if ($person->number)<br><span class="soft">{{ \Linnet\Core\Number\Numbers::pretty($person->number->e164) }}</span>@endif</p>
                    <div class="mt-2"><x-may-we-text :receiver="$receiver" /></div>
                    @if ($person->id !== $page->record->person_id)@can('converse')<p><a class="link sm" href="{{ route('people.write', ['person' => $person, 'record' => $page->record->id]) }}">Write to {{ $receiver->who }}</a></p>@endcan @endif
                </div>
            @endforeach
            @unless ($page->record->person)<p class="soft">Nobody known{{ $page->people() === [] ? '' : ' in “'.($page->type->field((string) $page->type->person_field)?->name ?? 'person').'”' }}, so no rule can text about it.</p>@endunless
            <h2 class="mt-5 mb-1">Coming texts</h2>
            @forelse ($page->coming() as $text)
                <x-coming-text :text="$text" :whose="$text->person_id !== $page->record->person_id" dated />
            @empty
                <p class="soft sm">None in the next two weeks, as things stand.</p>
            @endforelse
            <h2 class="mt-5 mb-1">Rules under way</h2>
            @forelse ($page->underWay() as $run)
                <p class="mb-1"><a class="link" href="{{ route('rules.show', $run->rule_id) }}">{{ $run->rule->name }}</a><br><span class="soft sm">since @time($run->began_at, 'D j M H:i')@if ($run->timer?->due_at), next look @time($run->timer->due_at, 'D j M H:i')@endif</span></p>
            @empty
                <p class="soft sm">None.</p>
            @endforelse
            @if ($page->record->person && $page->rules()->isNotEmpty())<h2 class="mt-5 mb-1">Why did nothing go?</h2>
                <x-why-not :person="$page->record->person" :record="$page->record" :rules="$page->rules()" />@endif
            @if ($page->record->person)@can('converse')@can('view')<x-start-rule :person="$page->record->person" :record="$page->record" :rules="$page->startable()" />@endcan @endcan @endif
            @if ($page->besides()->isNotEmpty())
                <h2 class="mt-5 mb-1">What else they have</h2>
                @foreach ($page->besides() as $other)<p class="sm"><a class="link" href="{{ route('records.show', [$other->type, $other]) }}">{{ $other->called() }}</a> <span class="soft">{{ mb_strtolower($other->type->name) }}</span></p>@endforeach
            @endif
        </aside>
    </div>
</x-page>
