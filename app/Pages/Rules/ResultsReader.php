<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use App\Clock\Day;
use App\Counts\MessageCounts;
use App\Models\Business;
use App\Models\Pool;
use App\Models\Rule;
use App\Models\Run;
use Linnet\Core\Rule\Step\Ask;
use Linnet\Core\Rule\Step\Texting;
use Linnet\Core\Text\Wording\Share;
use Linnet\Core\Text\Wording\Wording;
use Linnet\Core\Text\Wording\Wordings;

/** Finds what the texts of a rule brought. */
final class ResultsReader
{
    public static function of(Rule $rule, int $days, \DateTimeImmutable $now): Results
    {
        $since = Day::firstOf($days, $now, Business::current()->zone);
        $written = $rule->written();
        $began = Run::query()->where('rule_id', $rule->id)->where('began_at', '>=', $since->begins)->toBase();
        $runs = $began->clone()->count();
        // As the index says it that holds those alone.
        $goal = $began->whereRaw("outcome = 'goal'")
            ->selectRaw("count(*) as met, sum(cast(nullif(goal_value, '') as decimal(18, 6))) as value")->first();
        $counted = self::counted($rule, $since);
        $rows = [];
        foreach ($written->flow->texts() as $step) {
            $words = [];
            foreach (self::wordings($step->outgoing()->wordings) as $wording) {
                $words[$wording->id] = $wording->text;
            }
            $theirs = $counted[$step->id()] ?? [];
            $answered = array_map(fn (\stdClass $row): Share => new Share((int) $row->answered, (int) $row->sent), $theirs);
            $best = count($words) > 1 ? Share::best($answered) : null;
            foreach ($words + array_fill_keys(array_keys($theirs), null) as $id => $text) {
                $row = $theirs[$id] ?? null;
                $sent = (int) ($row->sent ?? 0);
                $share = fn (string $what): Share => new Share((int) ($row->{$what} ?? 0), $sent);
                $rows[] = new WordingResult(
                    $step->id(), (string) $id, $text ?? self::otherwise($step, (string) $id), $text === null, $sent, $share('answered'),
                    $share('ended'), $share('opened'), $share('met'), $best === $id,
                );
            }
        }

        return new Results(
            $days, $since, $runs, (int) ($goal->met ?? 0), $written->goal === null ? null : (float) ($goal->value ?? 0), $rows,
        );
    }

    /** What a text is that none of the wordings now says. */
    private static function otherwise(Texting $step, string $wording): string
    {
        return match (true) {
            $wording !== '' => 'Words of an earlier version',
            $step instanceof Ask && $step->unclear !== null => "Asked once more, where the answer was unclear: “{$step->unclear}”",
            default => 'Asked once more, where the answer was unclear',
        };
    }

    /** @return array<string, array<string, \stdClass>> counts by step and wording */
    private static function counted(Rule $rule, Day $since): array
    {
        $counted = [];
        foreach (MessageCounts::byWording($rule->id, $since) as $row) {
            $counted[(string) $row->step][(string) $row->wording] = $row;
        }

        return $counted;
    }

    /** @return list<Wording> */
    private static function wordings(Wordings $wordings): array
    {
        return [
            ...($wordings->pool === null ? $wordings->own : Pool::named($wordings->pool)),
            ...($wordings->closing === null ? [] : [$wordings->closing]),
        ];
    }
}
