<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use App\Clock\Day;
use App\Clock\TimeFormatter;
use App\Models\RuleVersion;
use App\Pages\Bars;

/** What the texts of a rule brought over some days. */
final readonly class Results
{
    /**
     * @param  int  $met  runs that met its goal
     * @param  float|null  $value  what those were worth together; null where the rule has no goal
     * @param  list<WordingResult>  $rows
     * @param  array<string, array{int, int}>  $perDay  texts, and how many were answered
     * @param  list<array{string, int, string}>  $failed  why texts failed, how many, and the reason's code
     * @param  int|null  $half  seconds within which half of the newest replies came; null where none did
     * @param  bool  $hasAnswers  somebody has answered to one of its questions, at any time
     * @param  list<array{RuleVersion, Came}>  $versions  the one that is on and the one before it, over all their time
     */
    public function __construct(
        public int $days,
        public Day $since,
        public int $runs,
        public int $met,
        public ?float $value,
        public Came $all,
        public array $rows,
        private array $perDay,
        public array $failed,
        public ?int $half,
        public bool $hasAnswers,
        public array $versions,
    ) {
    }

    public function bars(): Bars
    {
        $noon = $this->since->begins->setTimezone(new \DateTimeZone($this->since->zone))->setTime(12, 0);
        $names = array_map(fn (int $i): string => $noon->modify("+$i days")->format('Y-m-d'), range(0, $this->days - 1));

        return new Bars($names, $this->perDay, null, 110, 0);
    }

    /** "half of them within twelve minutes" */
    public function pace(\DateTimeImmutable $now): string
    {
        return $this->half === null ? '' : 'half of them within '.TimeFormatter::lasting($now, $now->modify("+{$this->half} seconds"));
    }

    /**
     * What sets the version that is on apart from the one before, beyond chance.
     *
     * @return list<string>
     */
    public function apart(): array
    {
        if (count($this->versions) < 2) {
            return [];
        }
        [[, $now], [, $before]] = $this->versions;
        $said = [];
        $words = [
            'answered' => 'answered', 'ended' => 'ended by a stop', 'opened' => 'opened', 'arrived' => 'arrived',
            'met' => 'brought to its goal',
        ];
        foreach ($words as $what => $word) {
            match (true) {
                $now->{$what}->beats($before->{$what}) => $said[] = "more often $word than before, beyond chance",
                $before->{$what}->beats($now->{$what}) => $said[] = "less often $word than before, beyond chance",
                default => null,
            };
        }

        return $said;
    }
}
