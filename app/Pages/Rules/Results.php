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
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Wording\Share;
use Linnet\Core\Text\Wording\Wording;
use Linnet\Core\Text\Wording\Wordings;

/** What the texts of a rule brought, by wording, over some days. */
final readonly class Results
{
    /**
     * @var list<object{step: string, wording: string, words: Template|string, retired: bool, sent: int, answered: Share, ended: Share,
     * opened: Share, met: Share, best: bool}>
     */
    public array $rows;

    public Day $since;

    public int $runs;

    public int $met;

    public bool $hasGoal;

    public float $value;

    public function __construct(Rule $rule, public int $days, \DateTimeImmutable $now)
    {
        $this->since = Day::firstOf($days, $now, Business::current()->zone);
        $since = $this->since->begins;
        $written = $rule->written();
        $this->hasGoal = $written->goal !== null;
        $began = Run::query()->where('rule_id', $rule->id)->where('began_at', '>=', $since)->toBase();
        $this->runs = $began->clone()->count();
        // As the index says it that holds those alone.
        $goal = $began->whereRaw("outcome = 'goal'")
            ->selectRaw("count(*) as met, sum(cast(nullif(goal_value, '') as decimal(18, 6))) as value")->first();
        [$this->met, $this->value] = [(int) ($goal->met ?? 0), (float) ($goal->value ?? 0)];
        $counted = $this->counted($rule, $this->since);
        $rows = [];
        foreach ($written->flow->texts() as $step) {
            $words = [];
            foreach ($this->wordings($step->outgoing()->wordings) as $wording) {
                $words[$wording->id] = $wording->text;
            }
            $theirs = $counted[$step->id()] ?? [];
            $answered = array_map(fn (\stdClass $row): Share => new Share((int) $row->answered, (int) $row->sent), $theirs);
            $best = count($words) > 1 ? Share::best($answered) : null;
            foreach ($words + array_fill_keys(array_keys($theirs), null) as $id => $text) {
                $row = $theirs[$id] ?? null;
                $sent = (int) ($row->sent ?? 0);
                $share = fn (string $what): Share => new Share((int) ($row->{$what} ?? 0), $sent);
                $rows[] = (object) [
                    'step' => $step->id(), 'wording' => (string) $id, 'words' => $text ?? $this->otherwise($step, (string) $id),
                    'retired' => $text === null, 'sent' => $sent, 'answered' => $share('answered'), 'ended' => $share('ended'),
                    'opened' => $share('opened'), 'met' => $share('met'), 'best' => $best === $id,
                ];
            }
        }
        $this->rows = $rows;
    }

    /** What a text is that none of the wordings now says. */
    private function otherwise(Texting $step, string $wording): string
    {
        return match (true) {
            $wording !== '' => 'Words of an earlier version',
            $step instanceof Ask && $step->unclear !== null => "Asked once more, where the answer was unclear: “{$step->unclear}”",
            default => 'Asked once more, where the answer was unclear',
        };
    }

    /** @return array<string, array<string, \stdClass>> counts by step and wording */
    private function counted(Rule $rule, Day $since): array
    {
        $counted = [];
        foreach (MessageCounts::byWording($rule->id, $since) as $row) {
            $counted[(string) $row->step][(string) $row->wording] = $row;
        }

        return $counted;
    }

    /** @return list<Wording> */
    private function wordings(Wordings $wordings): array
    {
        return [
            ...($wordings->pool === null ? $wordings->own : Pool::named($wordings->pool)),
            ...($wordings->closing === null ? [] : [$wordings->closing]),
        ];
    }
}
