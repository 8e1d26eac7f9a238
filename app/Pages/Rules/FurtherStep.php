<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use App\Clock\TimeFormatter;
use App\Engine\Store\UnitOfWork;
use App\Models\Business;
use App\Models\Rule;
use App\Models\Run;
use App\Rules\CameToTheEnd;
use App\Rules\Samples;
use App\Rules\SampleWorld;
use Linnet\Core\Rehearsal\RehearsedText;
use Linnet\Core\Rule\Further;
use Linnet\Core\Rule\Rule as Core;

/** Where a rule is what is published with steps behind it: those who came to its end may go on there. */
final readonly class FurtherStep
{
    /** The first of the new steps; null where there is none. */
    public ?string $step;

    public function __construct(
        private Rule $rule,
        private Core $written,
        private Business $business,
        private UnitOfWork $unit,
        private SampleWorld $worlds,
    ) {
        $this->step = $rule->version === null ? null : Further::step($rule->version->read(), $written);
    }

    /** @return list<int> the runs that would go on there */
    public function runs(int $days): array
    {
        return $this->step === null ? [] : (new CameToTheEnd($this->unit))->runs($this->rule, $this->written, $days);
    }

    /** Who would go on, and when the first of their texts would leave. */
    public function says(int $days): string
    {
        $runs = $this->runs($days);
        if ($this->step === null || $runs === []) {
            return "In the last $days days nobody came to its end who would still be in it.";
        }
        $alone = Further::alone($this->written, $this->step);
        $run = Run::query()->whereKey($runs[0])->firstOrFail();
        $sample = (new Samples($this->written->trigger->type(), $this->business->zone, $this->unit->now))->find(
            (int) ($run->record_id ?? $run->person_id),
        );
        $texts =
            $alone === null || $sample === null
                ? []
                : $this->worlds->rehearse($this->unit, $this->business, $alone, $sample->at($this->unit->now))->texts;
        $first = array_values(array_filter($texts, fn (RehearsedText $text): bool => $text->leavesAt !== null))[0]->leavesAt ?? null;

        $newest = CameToTheEnd::areMore($this->rule, $days, $this->unit->now)
            ? ' Only the newest '.number_format(CameToTheEnd::MOST).' who came to its end are asked.'
            : '';

        return "In the last $days days ".
            (count($runs) === 1 ? 'one' : count($runs)).
            ' came to its end and would still be in it'.
            ($first === null || $sample === null
                ? '.'
                : "; for {$sample->person->name()}, the first text would leave ".
                    TimeFormatter::momentIn($first, $this->business->zone).
                    '.').
            $newest;
    }
}
