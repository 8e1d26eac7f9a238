<?php

declare(strict_types=1);

namespace App\Pages\Records;

use App\Clock\Day;
use App\Models\ComingText;
use App\Models\Field;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Run;
use App\Records\FieldColumn;
use Illuminate\Database\Eloquent\Collection;
use Linnet\Core\Record\FieldKind;

/** Records by the days on which they start, each with what was texted about it and what will be. */
final readonly class CalendarPage
{
    private const MOST = 50;

    /** @var list<Day> */
    public array $days;

    /** @var array<string, list<Record>> by day */
    public array $records;

    /** More start on these days, after those that are shown. */
    public bool $isCut;

    /** @var array<int, list<ComingText>> by record */
    private array $coming;

    /** @var array<int, list<Message>> by record */
    private array $sent;

    /**
     * @param  string  $date  a day of those that are shown, as YYYY-MM-DD
     * @param  int  $turn  which lot of them, from 1, where there are more than are shown at once
     */
    public function __construct(
        public RecordType $type,
        private Field $start,
        public string $date,
        public bool $isWeek,
        public \DateTimeImmutable $now,
        public string $zone,
        public int $turn = 1,
    ) {
        $noon = new \DateTimeImmutable("$date 12:00", new \DateTimeZone($zone));
        $first = $isWeek ? $noon->modify('-'.((int) $noon->format('N') - 1).' days') : $noon;
        $this->days = array_map(
            fn (int $i): Day => new Day($first->modify("+$i days")->format('Y-m-d'), $zone),
            range(0, $isWeek ? 6 : 0),
        );
        $found = $this->found();
        $this->isCut = count($found) > self::MOST;
        $records = array_fill_keys(array_map(fn (Day $day): string => $day->date, $this->days), []);
        foreach (array_slice($found, 0, self::MOST) as $record) {
            $records[$this->startOf($record)->format('Y-m-d')][] = $record;
        }
        $this->records = $records;
        $ids = array_map(fn (Record $record): int => $record->id, array_merge(...array_values($records)));
        $this->coming = self::byRecord(
            ComingText::query()
                ->with(['person.number', 'rule', 'line'])
                ->whereIn('record_id', $ids)
                ->where('left_out', false)
                ->orderByRaw('leaves_at is null')
                ->orderBy('leaves_at')
                ->get(),
            fn (ComingText $text): int => (int) $text->record_id,
        );
        $runs = Run::query()->whereIn('record_id', $ids)->pluck('record_id', 'id');
        $this->sent = self::byRecord(
            Message::query()
                ->with('rule')
                ->whereIn('run_id', $runs->keys()->all())
                ->where('origin', MessageOrigin::Rule)
                ->whereNotNull('left_at')
                ->orderBy('left_at')
                ->get(),
            fn (Message $text): int => (int) $runs[(int) $text->run_id],
        );
    }

    public function called(Day $day, string $format): string
    {
        return (new \DateTimeImmutable($day->date))->format($format);
    }

    /** @return list<ComingText> */
    public function comingOf(Record $record): array
    {
        return $this->coming[$record->id] ?? [];
    }

    /** @return list<Message> */
    public function sentOf(Record $record): array
    {
        return $this->sent[$record->id] ?? [];
    }

    /** Its start by the business's clock; at midnight where it has no hour. */
    public function startOf(Record $record): \DateTimeImmutable
    {
        $value = (string) ($record->values[$this->start->key] ?? '');

        return $this->hasHours()
            ? (new \DateTimeImmutable($value))->setTimezone(new \DateTimeZone($this->zone))
            : new \DateTimeImmutable($value, new \DateTimeZone($this->zone));
    }

    public function hasHours(): bool
    {
        return $this->start->kind === FieldKind::DateTime;
    }

    /** The day some weeks or days away, as YYYY-MM-DD. */
    public function away(int $many): string
    {
        $step = $this->isWeek ? 7 * $many : $many;

        return (new \DateTimeImmutable("$this->date 12:00"))->modify(sprintf('%+d days', $step))->format('Y-m-d');
    }

    /** @return list<Record> */
    private function found(): array
    {
        $column = FieldColumn::sql($this->start);
        [$first, $last] = [$this->days[0], array_slice($this->days, -1)[0]];
        [$from, $to] = $this->hasHours()
            ? [$first->begins->format('Y-m-d\TH:i:s\Z'), $last->ends->format('Y-m-d\TH:i:s\Z')]
            : [$first->date, $last->date.'~'];

        return array_values(Record::query()
            ->whereRaw(FieldColumn::ofType($this->type->id))
            ->whereRaw("$column >= ? and $column < ?", [$from, $to])
            ->orderByRaw($column)
            ->orderBy('id')
            ->with('person.number')
            ->offset(($this->turn - 1) * self::MOST)
            ->limit(self::MOST + 1)
            ->get()
            ->each(fn (Record $record) => $record->setRelation('type', $this->type))
            ->all());
    }

    /**
     * @template T of ComingText|Message
     *
     * @param  Collection<int, T>  $texts
     * @param  \Closure(T): int  $record
     * @return array<int, list<T>>
     */
    private static function byRecord(Collection $texts, \Closure $record): array
    {
        $by = [];
        foreach ($texts as $text) {
            $by[$record($text)][] = $text;
        }

        return $by;
    }
}
