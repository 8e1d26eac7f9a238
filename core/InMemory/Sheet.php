<?php

declare(strict_types=1);

namespace Linnet\Core\InMemory;

use Linnet\Core\Context\Reply;
use Linnet\Core\Context\Subject;
use Linnet\Core\Engine\Cause;
use Linnet\Core\Engine\DomainEvent;
use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\OwnText;
use Linnet\Core\Engine\Run;
use Linnet\Core\Reason;
use Linnet\Core\Record\Change\Asked;
use Linnet\Core\Record\Change\Change;
use Linnet\Core\Record\Change\StatusReported;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\Line;
use Linnet\Core\Record\Named;
use Linnet\Core\Record\Person;
use Linnet\Core\Record\Record;

/** All that is written down while a world is lived through on paper. */
final class Sheet
{
    public \DateTimeImmutable $now;

    public readonly Agenda $agenda;

    public readonly MessageHistory $history;

    /** @var array<int, Person> */
    public array $people = [];

    /** @var array<string, int> */
    public array $personIds = [];

    /** @var array<int, Record> */
    public array $records = [];

    /** @var array<string, int> */
    public array $recordIds = [];

    /** @var array<int, list<int>> record ids by person */
    public array $recordsOf = [];

    /** @var array<int, InMemoryRule> by id */
    public array $rules = [];

    /** @var array<string, Line> */
    public array $lines = [];

    /** @var array<int, Run> */
    public array $runs = [];

    /** The highest number a run has had. */
    public int $lastRun = 0;

    /** @var array<int, array<int, Run>> live runs by person */
    public array $live = [];

    /** @var array<string, true> */
    public array $occasions = [];

    /** @var array<string, \DateTimeImmutable> by rule and person */
    public array $lastBegan = [];

    /** @var array<string, OutText> by run and name, in the order in which they were wanted */
    public array $texts = [];

    /** @var array<string, array{optedOut: bool, optedIn: bool, mayHaveOptedOut: bool}> by number */
    public array $consent = [];

    /** @var list<OutText> texts that left and of which nothing was told yet */
    public array $departures = [];

    /** How many texts came in. */
    public int $heard = 0;

    /** @var array<int, array<string, \DateTimeImmutable>> when they last wrote to each line, by person */
    public array $heardLines = [];

    /** @var array<int, list<Reply>> what was put to each run's question */
    public array $put = [];

    /** @var array<string, array<string, OwnText>> what was decided of texts whose run has not begun, by rule and subject, then name */
    public array $decided = [];

    /** @var array<int, \DateTimeImmutable> by person */
    public array $lastReplyAt = [];

    /** @var array<int, \DateTimeImmutable> when something last happened about them, by person */
    public array $lastChangeAt = [];

    /** @var list<DomainEvent> what has happened and was not taken yet */
    public array $events = [];

    /** @var list<array{string, \DateTimeImmutable|null}> rules that have still to go through all whom they concern, and for what moment */
    public array $pieces = [];

    /** @var list<array{at: \DateTimeImmutable, reason: Reason, rule: string|null, run: int|null, subject: Subject}> */
    public array $trace = [];

    /** @var list<array{at: \DateTimeImmutable, what: string, run: int, with: array<string, mixed>}> */
    public array $sideEffects = [];

    /** @var list<array{Run, string}> numbers asked about and not answered yet, and the runs that ask */
    public array $asked = [];

    /** @var array<int, array<string, \DateTimeImmutable>> when each rule's last text left, by person and rule */
    public array $lastTexts = [];

    /** @var array<string, true> who has had an automatic text from which line, by person and line */
    public array $opened = [];

    /** @var array<string, Named|string> what people and records that are not on it are called, by kind and id */
    public array $names = [];

    /** @var array<int, Person> those who are texted about somebody else's records, and of whom nothing else is on it */
    public array $beside = [];

    private int $changes = 0;

    public function __construct(public readonly Configuration $configuration, public readonly \DateTimeImmutable $begins)
    {
        $this->now = $begins;
        $this->agenda = new Agenda;
        $this->history = new MessageHistory;
        $this->lines = array_column($configuration->lines, null, 'key');
    }

    /**
     * A record's values, with the field that leads to its person.
     *
     * @param  array<string, scalar|null>  $values
     * @return array<string, scalar|null>
     */
    public function withPerson(string $type, ?int $person, array $values): array
    {
        $leads = $this->leads($type);

        return $person !== null && $leads !== null ? [$leads => $person] + $values : $values;
    }

    /** The field that says whom a record of a type is about, where it names a person. */
    private function leads(string $type): ?string
    {
        $leads = $this->configuration->types[$type]->fields[$this->configuration->types[$type]->personField ?? ''] ?? null;

        return $leads?->kind === FieldKind::Person ? $leads->key : null;
    }

    private static function whom(string|int|float|bool|null $value): ?int
    {
        return is_numeric($value) ? (int) $value : null;
    }

    /** @param  array<string, string|int|float|bool|null>  $values */
    public function upsert(string $key, string $type, ?int $person, array $values): Record
    {
        return $this->store($this->recordIds["$type/$key"] ??= count($this->recordIds) + 1, $type, $person, $values);
    }

    /**
     * @param  int|null  $person  whom it is about from now on; null for whomever its field says, or it was
     * @param  array<string, string|int|float|bool|null>  $values
     */
    public function store(int $id, string $type, ?int $person, array $values): Record
    {
        $before = $this->records[$id]->personId ?? null;
        $leads = $this->leads($type);
        $person ??= $leads !== null && array_key_exists($leads, $values) ? self::whom($values[$leads]) : $before;
        if ($person !== $before) {
            $this->recordsOf[(int) $before] = array_values(array_diff($this->recordsOf[(int) $before] ?? [], [$id]));
            $this->recordsOf[(int) $person][] = $id;
            sort($this->recordsOf[(int) $person]);
        }

        return $this->records[$id] = new Record($id, $this->configuration->types[$type], $values, $person, $this->now);
    }

    public function about(?int $person, ?int $record): Subject
    {
        $zone = $this->configuration->business->zone;

        return $record === null
            ? new Subject($person)
            : new Subject($this->records[$record]->personId, $record, $this->records[$record]->startsAt($zone));
    }

    /**
     * Puts what waits before the gate again: it may go now, or never.
     *
     * @param  \Closure(OutText): bool  $which
     */
    public function askAgain(\Closure $which): void
    {
        foreach ($this->texts as $text) {
            if ($text->run !== null && $text->status()->isWaiting() && $which($text)) {
                $this->agenda->schedule("text:{$text->run->id}/$text->name", $this->now);
            }
        }
    }

    public function changeId(): string
    {
        return (string) ++$this->changes;
    }

    public function happens(
        Change $change,
        ?int $person,
        ?int $record,
        ?string $line = null,
        ?string $number = null,
        Cause $cause = new Cause,
    ): void {
        $subject = $this->about($person, $record);
        $line ??= $record === null ? null : Line::broughtBy($this->records[$record], $this->lines)?->key;
        if ($subject->personId !== null && ! $change instanceof Asked && ! $change instanceof StatusReported) {
            $this->lastChangeAt[$subject->personId] = $this->now;
        }
        $this->events[] = new DomainEvent($this->changeId(), $change, $subject, $this->now, $line, $number, $cause);
    }
}
