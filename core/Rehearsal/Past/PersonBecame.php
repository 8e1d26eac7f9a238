<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal\Past;

use Linnet\Core\Record\Change\PersonChanged;
use Linnet\Core\Record\PersonNumber;
use Linnet\Core\Rule\Same;

/** What is kept of somebody became otherwise, or they got one more number. */
final readonly class PersonBecame extends PastEvent
{
    /**
     * @param  array<string, mixed>  $to  by field; zone and locale among them
     * @param  bool  $silent  rules were not to act on it
     */
    public function __construct(
        \DateTimeImmutable $at,
        int $personId,
        public array $to,
        public ?PersonNumber $number,
        public bool $silent,
    ) {
        parent::__construct($at, $personId);
    }

    public function happen(Replay $replay): void
    {
        $person = $replay->sheet->people[(int) $this->personId] ?? null;
        if ($person === null) {
            return;
        }
        $was = [...$person->own, 'zone' => $person->zone, 'locale' => $person->locale];
        $to = array_filter(
            $this->to,
            fn (mixed $value, string $key): bool => ! Same::as($was[$key] ?? null, $value),
            ARRAY_FILTER_USE_BOTH,
        );
        $from = array_intersect_key($was + array_fill_keys(array_keys($to), null), $to);
        $new = $this->number !== null && $person->number($this->number->e164) === null ? $this->number : null;
        if ($new !== null) {
            [$from, $to] = [[...$from, 'number' => null], [...$to, 'number' => $new->e164]];
        }
        if ($to !== []) {
            $replay->sheet->people[$person->id] = $person->becoming(array_diff_key($to, ['number' => 1]), $new);
            $replay->happens(new PersonChanged($from, $to), $person->id, null, $this->silent);
        }
    }
}
