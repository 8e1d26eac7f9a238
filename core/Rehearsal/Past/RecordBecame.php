<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal\Past;

use Linnet\Core\Record\Change\RecordAdded;
use Linnet\Core\Record\Change\RecordChanged;
use Linnet\Core\Rule\Same;

/** A record was added or changed. */
final readonly class RecordBecame extends PastEvent
{
    /**
     * @param  int|null  $personId  whom it was about then
     * @param  array<string, string|int|float|bool|null>  $to
     * @param  bool  $silent  rules were not to act on it
     */
    public function __construct(
        \DateTimeImmutable $at,
        public int $recordId,
        public string $type,
        ?int $personId,
        public array $to,
        public bool $silent,
    ) {
        parent::__construct($at, $personId);
    }

    public function happen(Replay $replay): void
    {
        $before = $replay->sheet->records[$this->recordId] ?? null;
        if ($before === null) {
            $record = $replay->sheet->store($this->recordId, $this->type, $this->personId, $this->to);
            $replay->happens(new RecordAdded($this->type), $record->personId, $record->id, $this->silent);

            return;
        }
        $to = array_filter(
            $this->to,
            fn (mixed $value, string $key): bool => ! Same::as($before->values[$key] ?? null, $value),
            ARRAY_FILTER_USE_BOTH,
        );
        if ($to !== [] || ($this->personId !== null && $this->personId !== $before->personId)) {
            $from = array_intersect_key($before->values + array_fill_keys(array_keys($to), null), $to);
            $record = $replay->sheet->store($this->recordId, $this->type, $this->personId, [...$before->values, ...$to]);
            $replay->happens(RecordChanged::of($record->type, $from, $to), $record->personId, $record->id, $this->silent);
        }
    }
}
