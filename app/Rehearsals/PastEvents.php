<?php

declare(strict_types=1);

namespace App\Rehearsals;

use App\Engine\Store\DatabaseBusinessReader;
use App\Engine\Store\DatabaseRunStore;
use App\Models\ChangeKind;
use App\Models\MessageOrigin;
use App\Models\Way;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Record\Change\Asked;
use Linnet\Core\Record\Change\AskedBy;
use Linnet\Core\Record\Change\FormSent;
use Linnet\Core\Record\Change\LabelKind;
use Linnet\Core\Record\Change\ReportedStatus;
use Linnet\Core\Rehearsal\Past\ConsentBecame;
use Linnet\Core\Rehearsal\Past\GivenBack;
use Linnet\Core\Rehearsal\Past\Happened;
use Linnet\Core\Rehearsal\Past\LabelBecame;
use Linnet\Core\Rehearsal\Past\LinkOpened;
use Linnet\Core\Rehearsal\Past\PastEvent;
use Linnet\Core\Rehearsal\Past\PersonBecame;
use Linnet\Core\Rehearsal\Past\PersonKnown;
use Linnet\Core\Rehearsal\Past\RecordBecame;
use Linnet\Core\Rehearsal\Past\StaffWrote;
use Linnet\Core\Rehearsal\Past\TextCame;

/** What happened from a moment on, as it was kept, in the order in which it did; but for what rules did that take part themselves. */
final readonly class PastEvents
{
    private const AT_ONCE = 2000;

    /** @param  array<int, string|null>  $rules  keys of the rules that take part, by their id */
    public function __construct(
        private DatabaseBusinessReader $reader,
        private PastFacts $facts,
        private \DateTimeImmutable $from,
        private array $rules,
    ) {
    }

    /** About how many there are. */
    public static function many(\DateTimeImmutable $from): int
    {
        return DB::table('changes')->where('at', '>=', DatabaseRunStore::at($from))->count();
    }

    /** @return \Generator<int, PastEvent> */
    public function all(): \Generator
    {
        $sources = [$this->known(), $this->changes(), $this->consents(), $this->decisions(), $this->staff(), $this->givenBack()];
        while (true) {
            $next = null;
            foreach ($sources as $source) {
                if ($source->valid() && ($next === null || $source->current()->at < $next->current()->at)) {
                    $next = $source;
                }
            }
            if ($next === null) {
                return;
            }
            yield $next->current();
            $next->next();
        }
    }

    /** Who became known by the way, with a record of theirs: no change says so. @return \Generator<int, PastEvent> */
    private function known(): \Generator
    {
        $added = DB::table('changes')->where('kind', ChangeKind::PersonAdded->value)->whereNotNull('person_id')->select('person_id');
        foreach ($this->inOrder(DB::table('people')->whereNotIn('id', $added)->select(['id', 'added_at']), 'added_at') as $row) {
            $person = $this->facts->later((int) $row->id);
            if ($person !== null) {
                yield new PersonKnown(DatabaseBusinessReader::moment($row->added_at), $person, true);
            }
        }
    }

    /** @return \Generator<int, PastEvent> */
    private function changes(): \Generator
    {
        $columns = ['id', 'kind', 'record_id', 'person_id', 'message_id', 'from', 'to', 'at', 'way', 'silent', 'cause', 'with'];
        $texts = $records = [];
        foreach ($this->inOrder(DB::table('changes')->select($columns), 'at', function (array $chunk) use (&$texts, &$records): void {
            $ids = self::ids(array_map(
                fn (\stdClass $row): mixed => $row->kind === ChangeKind::TextReceived->value ? $row->message_id : null,
                $chunk,
            ));
            array_map($this->reader->forgetRecord(...), $records);
            $this->reader->preloadRecords($records = self::ids(array_column($chunk, 'record_id')));
            $texts = DB::table('messages')->whereIn('id', $ids)->get(['id', 'line_id', 'number', 'body'])->keyBy('id')->all();
        }) as $row) {
            $event = $this->isOurs($row) ? null : $this->event($row, $texts[(int) $row->message_id] ?? null);
            if ($event !== null) {
                yield $event;
            }
        }
    }

    /**
     * @param  array<array-key, mixed>  $ids
     * @return list<int>
     */
    private static function ids(array $ids): array
    {
        return array_values(array_unique(array_map(intval(...), array_filter($ids, is_numeric(...)))));
    }

    /** Whether a rule that takes part did it. */
    private function isOurs(\stdClass $row): bool
    {
        if ($row->way !== Way::Rule->value) {
            return false;
        }
        /** @var list<string> $cause */
        $cause = json_decode((string) ($row->cause ?? '[]'), true, 4, JSON_THROW_ON_ERROR);

        return $cause !== [] && array_key_exists((int) strtok($cause[count($cause) - 1], '@'), $this->rules);
    }

    private function event(\stdClass $row, ?\stdClass $text): ?PastEvent
    {
        $at = DatabaseBusinessReader::moment($row->at);
        [$person, $record] = array_map(fn (mixed $id): ?int => $id === null ? null : (int) $id, [$row->person_id, $row->record_id]);
        /** @var array<string, mixed> $to */
        $to = json_decode((string) ($row->to ?? '{}'), true, 16, JSON_THROW_ON_ERROR);
        /** @var array<string, mixed> $with */
        $with = json_decode((string) ($row->with ?? '{}'), true, 16, JSON_THROW_ON_ERROR);
        $said = fn (string $key): string => is_scalar($with[$key] ?? null) ? (string) $with[$key] : '';
        $silent = (bool) $row->silent;
        $line = $text === null ? null : $this->reader->lineKey((int) $text->line_id);

        return match (ChangeKind::from((string) $row->kind)) {
            ChangeKind::RecordAdded, ChangeKind::RecordChanged => $this->ofRecord($at, $record, $person, $to, $silent),
            ChangeKind::PersonAdded => ($known = $this->facts->later((int) $person)) === null
                ? null
                : new PersonKnown($at, $known, $silent),
            ChangeKind::PersonChanged => $this->ofPerson($at, $person, $to, $silent),
            ChangeKind::LabelChanged => $person === null ? null : new LabelBecame(
                $at, $person, LabelKind::from($said('label')), $said('name'), (bool) ($with['added'] ?? false), $silent,
            ),
            ChangeKind::TextReceived => $person === null || $text === null || $line === null
                ? null
                : new TextCame($at, $person, $line, (string) $text->number, (string) $text->body),
            ChangeKind::FormSent => new Happened($at, new FormSent($said('form')), $person, $record),
            ChangeKind::Asked => array_key_exists((int) $said('rule_id'), $this->rules)
                ? new Happened($at, new Asked($said('rule_id'), AskedBy::from($said('by'))), $person, $record)
                : null,
            ChangeKind::StatusReported => $this->ofStatus($at, $person, $said('fate'), $said('rule')),
        };
    }

    /** @param  array<string, mixed>  $to */
    private function ofRecord(\DateTimeImmutable $at, ?int $record, ?int $person, array $to, bool $silent): ?PastEvent
    {
        $known = $record === null ? null : $this->reader->record($record);

        return $known === null ? null : new RecordBecame(
            $at, $known->id, $known->type->key, $person,
            array_filter($to, fn (mixed $value): bool => $value === null || is_scalar($value)), $silent,
        );
    }

    /** @param  array<string, mixed>  $to */
    private function ofPerson(\DateTimeImmutable $at, ?int $person, array $to, bool $silent): ?PastEvent
    {
        $number = is_string($to['number'] ?? null) && $person !== null ? $this->facts->number($person, $to['number']) : null;
        unset($to['number']);

        return $person === null ? null : new PersonBecame($at, $person, $to, $number, $silent);
    }

    /** What becomes of texts on paper is asked of their numbers; only that a link was opened is taken from life. */
    private function ofStatus(\DateTimeImmutable $at, ?int $person, string $fate, string $key): ?PastEvent
    {
        $rule = array_search($key, $this->rules, true);

        return $person === null || $rule === false || $fate !== ReportedStatus::LinkOpened->value
            ? null
            : new LinkOpened($at, $person, (string) $rule, $key);
    }

    /** @return \Generator<int, PastEvent> */
    private function consents(): \Generator
    {
        $columns = ['id', 'person_id', 'number', 'scope', 'act', 'how', 'at'];
        foreach ($this->inOrder(DB::table('consents')->where('how', '!=', 'text')->select($columns), 'at') as $row) {
            yield new ConsentBecame(
                DatabaseBusinessReader::moment($row->at), (int) $row->person_id, (string) $row->number,
                PastFacts::becomes((string) $row->scope, (string) $row->act), $row->how === 'staff',
            );
        }
    }

    /** What read like a stop and was found to be none. @return \Generator<int, PastEvent> */
    private function decisions(): \Generator
    {
        $rows = DB::table('traces')
            ->join('messages', 'messages.id', '=', 'traces.message_id')
            ->where('traces.code', 'consent.cleared')
            ->where('traces.at', '>=', DatabaseRunStore::at($this->from))
            ->orderBy('traces.at')
            ->get(['traces.at', 'messages.person_id', 'messages.number']);
        foreach ($rows as $row) {
            yield new ConsentBecame(DatabaseBusinessReader::moment($row->at), (int) $row->person_id, (string) $row->number, [], true);
        }
    }

    /** @return \Generator<int, PastEvent> */
    private function staff(): \Generator
    {
        $texts = DB::table('messages')
            ->where('origin', MessageOrigin::Staff->value)
            ->whereNotNull('left_at')
            ->select(['id', 'person_id', 'line_id', 'staff_id', 'left_at']);
        $called = DB::table('staff')->pluck('name', 'id')->all();
        foreach ($this->inOrder($texts, 'left_at') as $row) {
            $line = $this->reader->lineKey((int) $row->line_id);
            if ($line !== null) {
                yield new StaffWrote(
                    DatabaseBusinessReader::moment($row->left_at), (int) $row->person_id, $line, (string) ($called[$row->staff_id] ?? ''),
                );
            }
        }
    }

    /** @return \Generator<int, PastEvent> */
    private function givenBack(): \Generator
    {
        $told = DB::table('traces')->where('code', 'run.given_back')->select(['id', 'person_id', 'rule_id', 'with', 'at']);
        foreach ($this->inOrder($told, 'at') as $row) {
            $staff = json_decode((string) $row->with, true, 4, JSON_THROW_ON_ERROR)['staff'] ?? '';
            yield new GivenBack(
                DatabaseBusinessReader::moment($row->at), (int) $row->person_id, (string) $row->rule_id, is_string($staff) ? $staff : '',
            );
        }
    }

    /**
     * Rows from the moment on, so many at once.
     *
     * @param  (\Closure(array<int, \stdClass>): void)|null  $each  is given each chunk before its rows
     * @return \Generator<int, \stdClass>
     */
    private function inOrder(Builder $query, string $column, ?\Closure $each = null): \Generator
    {
        [$at, $id] = [DatabaseRunStore::at($this->from), 0];
        do {
            $rows = (clone $query)
                ->where(fn (Builder $later) => $later
                    ->where($column, '>', $at)
                    ->orWhere(fn (Builder $same) => $same->where($column, $at)->where('id', '>', $id)))
                ->orderBy($column)
                ->orderBy('id')
                ->limit(self::AT_ONCE)
                ->get()
                ->all();
            $each === null || $each($rows);
            foreach ($rows as $row) {
                yield $row;
                [$at, $id] = [(string) $row->{$column}, (int) $row->id];
            }
        } while (count($rows) === self::AT_ONCE);
    }
}
