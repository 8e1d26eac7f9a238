<?php

declare(strict_types=1);

namespace App\Pages;

use App\Clock\TimeFormatter;
use App\Models\Business;
use App\Models\Change;
use App\Models\ChangeKind;
use App\Models\Conversation;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\Note;
use App\Models\Person;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Run;
use App\Models\Trace;
use App\Records\ChangeSentence;
use App\Records\RecordSentence;
use App\Records\Shown;
use App\Sentences\TraceSentence;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Record\RecordType as Core;

/** Finds what happened with a person, a record or in a conversation: texts out and in, records that came in, and every decision. */
final class StoryReader
{
    /** So many texts follow the one that is looked for. */
    private const AFTER = 30;

    /** The newest entries shown of each kind. */
    private const MOST = 100;

    /** So many records that came in at one moment are one line that opens. */
    private const TOGETHER = 3;

    /** Decisions that say no more than the text they led to. */
    private const SILENT = ['start.began', 'run.finished'];

    /**
     * @param  StoryKind|null  $only  null for all of it
     * @param  \DateTimeImmutable|null  $until  null for the newest
     */
    public static function ofPerson(Person $person, string $zone, ?StoryKind $only = null, ?\DateTimeImmutable $until = null): Story
    {
        $texts = Message::query()->where('person_id', $person->id)->whereNotIn('state', [MessageState::Waiting, MessageState::SetAside]);

        return Story::inOrder(
            array_merge(...array_map(fn (StoryKind $kind): array => match ($kind) {
                StoryKind::Texts => self::messages($texts, $person, $until),
                StoryKind::Rules => self::decisions($person, until: $until),
                StoryKind::Records => [...self::records($person, $zone, $until), ...self::changesAbout($person, $until)],
                StoryKind::Notes => self::notes($person, $until),
            }, $only === null ? StoryKind::cases() : [$only])),
            $zone,
        );
    }

    /** What happened with one record: its changes, the texts its rules sent, and every decision about it. */
    public static function ofRecord(Record $record, Business $business): Story
    {
        $runs = Run::query()->where('record_id', $record->id)->select('id');
        // Each by its own index: an “or” over both has none.
        $about = DB::table('traces')->where('record_id', $record->id)->select('id')
            ->union(DB::table('traces')->whereIn('run_id', $runs)->select('id'));
        $traces = Trace::query()
            ->whereIn('id', $about)
            ->whereNotIn('code', self::SILENT)
            ->with('rule')
            ->orderByDesc('id')
            ->limit(self::MOST)
            ->get()
            ->reverse();

        return Story::inOrder(
            [
                ...self::messages(
                    Message::query()
                        ->whereIn('run_id', $runs)
                        ->whereNotIn('state', [MessageState::Waiting, MessageState::SetAside]),
                ),
                ...array_values(
                    $traces
                        ->map(
                            fn (Trace $trace): StoryEntry => new StoryEntry(
                                $trace->at, 1, says: TraceSentence::of($trace), rule: $trace->rule,
                            ),
                        )
                        ->all(),
                ),
                ...self::changes(Change::query()->where('record_id', $record->id), $record->type, $business),
            ],
            $business->zone,
        );
    }

    /**
     * A conversation: what was said on its line, with the decisions that concern the person.
     *
     * @param  Message|null  $around  the text that is looked for; null for the newest
     */
    public static function ofConversation(Conversation $conversation, string $zone, ?Message $around = null): Story
    {
        $person = $conversation->person;
        $until = $around === null ? null : self::until($conversation, $around);

        return Story::inOrder([
            ...self::messages(Message::query()->where('conversation_id', $conversation->id), $person, $until),
            ...self::decisions($person, quietly: true, until: $until),
            ...self::records($person, $zone, $until),
            ...self::changesAbout($person, $until),
            ...self::notes($person, $until),
        ], $zone);
    }

    /** When what is shown around a text ends; null where it goes on to the newest. */
    private static function until(Conversation $conversation, Message $around): ?\DateTimeImmutable
    {
        return Message::query()
            ->where('conversation_id', $conversation->id)
            ->where('at', '>', $around->at)
            ->orderBy('at')
            ->orderBy('id')
            ->offset(self::AFTER)
            ->first(['at'])
            ?->at;
    }

    /**
     * What changed of a person and of their records.
     *
     * @return list<StoryEntry>
     */
    private static function changesAbout(Person $person, ?\DateTimeImmutable $until = null): array
    {
        $business = Business::current();
        $changes = Change::query()->where('person_id', $person->id)->whereIn('kind', [ChangeKind::RecordChanged, ChangeKind::PersonChanged])
            ->when($until !== null, fn ($query) => $query->where('at', '<=', $until))
            ->with('record.type.fields')->orderByDesc('id')->limit(self::MOST)->get()->reverse();
        $entries = [];
        foreach ($changes->groupBy(fn (Change $change): int => $change->record->record_type_id ?? 0) as $group) {
            $type = $group->first()?->record->type ?? RecordType::query()->with('fields')->where('key', Core::PERSON)->first();
            $shown =
                $type === null
                    ? null
                    : new Shown(
                        $type, $group->flatMap(fn (Change $change): array => [$change->from ?? [], $change->to ?? []]), $business->zone,
                        $business->currency(),
                    );
            foreach ($group as $change) {
                $then =
                    $change->record === null
                        ? null
                        : self::before($change->record, $changes->where('record_id', $change->record_id)->reverse(), $change->id);
                $entries[] = new StoryEntry(
                    $change->at,
                    0,
                    says: ($then === null ? '' : $then->called().': ').ChangeSentence::of($change, $type, $shown),
                );
            }
        }

        return $entries;
    }

    /** @return list<StoryEntry> what staff wrote to each other about them */
    private static function notes(Person $person, ?\DateTimeImmutable $until = null): array
    {
        $notes = Note::query()
            ->where('person_id', $person->id)
            ->when($until !== null, fn ($query) => $query->where('at', '<=', $until))
            ->with(['staff', 'handedTo'])
            ->orderByDesc('at')
            ->orderByDesc('id')
            ->limit(self::MOST)
            ->get();

        return array_values($notes->reverse()->map(fn (Note $note): StoryEntry => new StoryEntry($note->at, 3, note: $note))->all());
    }

    /**
     * @param  \Illuminate\Database\Eloquent\Builder<Change>  $query
     * @return list<StoryEntry>
     */
    private static function changes($query, ?RecordType $type, Business $business): array
    {
        $changes = $query->orderByDesc('id')->limit(self::MOST)->get()->reverse();
        $shown =
            $type === null
                ? null
                : new Shown(
                    $type, $changes->flatMap(fn (Change $change): array => [$change->from ?? [], $change->to ?? []]), $business->zone,
                    $business->currency(),
                );

        return array_values(
            $changes
                ->map(fn (Change $change): StoryEntry => new StoryEntry($change->at, 0, says: ChangeSentence::of($change, $type, $shown)))
                ->all(),
        );
    }

    /**
     * @param  \Illuminate\Database\Eloquent\Builder<Message>  $query
     * @param  Person|null  $person  whose they are, where they are all of one
     * @return list<StoryEntry>
     */
    private static function messages($query, ?Person $person = null, ?\DateTimeImmutable $until = null): array
    {
        return array_values(
            $query
                ->when($until !== null, fn ($query) => $query->where('at', '<=', $until))
                ->with(['rule', 'staff', 'toStaff', 'line', ...($person === null ? ['person.number'] : [])])
                ->orderByDesc('at')
                ->orderByDesc('id')
                ->limit(self::MOST)
                ->get()
                ->reverse()
                ->each(fn (Message $message) => $person === null ? null : $message->setRelation('person', $person))
                ->map(fn (Message $message): StoryEntry => new StoryEntry($message->at, $message->isInbound() ? 0 : 2, message: $message))
                ->all(),
        );
    }

    /**
     * @param  bool  $quietly  leave out the rules that did not concern it
     * @return list<StoryEntry>
     */
    private static function decisions(Person $person, bool $quietly = false, ?\DateTimeImmutable $until = null): array
    {
        $traces = Trace::query()->where('person_id', $person->id)->whereNotIn('code', self::SILENT)
            ->when($quietly, fn ($query) => $query->where(fn ($any) => $any->whereNotNull('run_id')->orWhereNotLike('code', 'condition.%')))
            ->when($until !== null, fn ($query) => $query->where('at', '<=', $until))
            ->with('rule')->orderByDesc('id')->limit(self::MOST)->get()->reverse();

        return array_values($traces->map(fn (Trace $trace): StoryEntry => new StoryEntry(
            $trace->at, 1, says: TraceSentence::of($trace), rule: $trace->rule,
        ))->all());
    }

    /**
     * The records as they were when they came in, not as they are today.
     *
     * @return list<StoryEntry>
     */
    private static function records(Person $person, string $zone, ?\DateTimeImmutable $until = null): array
    {
        $records = Record::query()
            ->where('person_id', $person->id)
            ->when($until !== null, fn ($query) => $query->where('added_at', '<=', $until))
            ->with('type.fields')
            ->orderByDesc('id')
            ->limit(self::MOST)
            ->get()
            ->reverse();
        $added = Change::query()
            ->whereIn('record_id', $records->pluck('id'))
            ->where('kind', ChangeKind::RecordAdded)
            ->get()
            ->keyBy('record_id');
        foreach ($records as $record) {
            isset($added[$record->id]) && $record->setAttribute('values', $added[$record->id]->to ?? []);
        }

        $sentence = new RecordSentence($zone, Business::current()->currency());

        return array_merge(
            ...array_values(
                $records
                    ->groupBy(fn (Record $record): int => $record->added_at->getTimestamp())
                    ->map(function (Collection $together) use ($sentence): array {
                        $entries = array_values(
                            $together
                                ->map(
                                    fn (Record $record): StoryEntry => new StoryEntry(
                                        $record->added_at,
                                        0,
                                        says: $sentence->of($record),
                                    ),
                                )
                                ->all(),
                        );

                        return count($entries) < self::TOGETHER
                            ? $entries
                            : [
                                new StoryEntry(
                                    $entries[0]->at, 0,
                                    says: ucfirst(TimeFormatter::count(count($entries), 'record', 'records')).' came in together',
                                    within: $entries,
                                ),
                            ];
                    })
                    ->all(),
            ),
        );
    }

    /**
     * A record as it was after one of its changes: every later one is undone.
     *
     * @param  Collection<array-key, Change>  $changes  the newest first
     */
    private static function before(Record $record, Collection $changes, int $after): Record
    {
        $then = clone $record;
        foreach ($changes as $change) {
            if ($change->id > $after && $change->kind === ChangeKind::RecordChanged) {
                $then->setAttribute(
                    'values',
                    array_filter([...$then->values, ...$change->from ?? []], fn (mixed $value): bool => $value !== null),
                );
            }
        }

        return $then;
    }
}
