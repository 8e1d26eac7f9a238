<?php

declare(strict_types=1);

namespace App\Pages\Results;

use App\Clock\Day;
use App\Clock\TimeFormatter;
use App\Counts\CountryCounts;
use App\Counts\MessageCounts;
use App\Models\Business;
use App\Models\Line;
use App\Models\MessageOrigin;
use App\Models\Rule;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** What texting cost and brought in a month, over all rules. */
final readonly class MonthPage
{
    public Business $business;

    /** YYYY-MM-DD, its first day. */
    public string $from;

    /** YYYY-MM-DD, the first of the next. */
    private string $until;

    /** What the automatic texts of the month cost, in millionths. */
    public int $spent;

    /** What they may cost; null where nothing limits it. */
    public ?int $budget;

    /** @var Collection<array-key, \stdClass> */
    private Collection $counted;

    /** @var Collection<array-key, \stdClass> runs that began in the month and met their goal, by rule */
    private Collection $goals;

    /** @param  string  $month  YYYY-MM; empty for this one */
    public function __construct(private \DateTimeImmutable $now, string $month)
    {
        $this->business = Business::current();
        $this->from = ($month === '' ? $this->thisMonth() : $month).'-01';
        $this->until = (new \DateTimeImmutable($this->from))->modify('+1 month')->format('Y-m-d');
        $this->spent = (int) DB::table('spent_days')->where('day', '>=', $this->from)->where('day', '<', $this->until)->sum('micros');
        $this->budget = $this->business->gatePolicy()->monthMicros;
        $this->counted = MessageCounts::byRuleAndLine($this->from, $this->until);
        $this->goals = DB::table('runs')
            ->whereRaw("outcome = 'goal'")
            ->where('began_at', '>=', $this->begins($this->from))
            ->where('began_at', '<', $this->begins($this->until))
            ->groupBy('rule_id')
            ->selectRaw("rule_id, count(*) as met, sum(cast(nullif(goal_value, '') as decimal(18, 6))) as worth")
            ->get()
            ->keyBy('rule_id');
    }

    public function isThisMonth(): bool
    {
        return str_starts_with($this->from, $this->thisMonth());
    }

    /** "March 2026" */
    public function called(): string
    {
        return (new \DateTimeImmutable($this->from))->format('F Y');
    }

    /** How far the month has gone, from 0 to 1. */
    public function gone(): float
    {
        $begins = $this->begins($this->from)->getTimestamp();

        return max(0.0, min(1.0, ($this->now->getTimestamp() - $begins) / ($this->begins($this->until)->getTimestamp() - $begins)));
    }

    /** How much of what may be spent is spent, from 0 to 1. */
    public function share(): float
    {
        return $this->budget === null || $this->budget === 0 ? 0.0 : min(1.0, $this->spent / $this->budget);
    }

    public function sent(): int
    {
        return (int) $this->out()->sum('texts');
    }

    /** What all texts cost, those that came in too. */
    public function micros(): int
    {
        return (int) $this->counted->sum('price');
    }

    public function money(int $micros): string
    {
        return TimeFormatter::price($micros, $this->business->currency());
    }

    public function met(): int
    {
        return (int) $this->goals->sum('met');
    }

    public function value(): float
    {
        return (float) $this->goals->sum('worth');
    }

    /** @return list<RuleCost> what cost most first; then what no rule sent */
    public function byRule(): array
    {
        $rules = Rule::query()->whereKey($this->counted->pluck('rule_id')->filter()->unique()->all())->get()->keyBy('id');
        $rows = [];
        foreach ($this->out()->where('origin', MessageOrigin::Rule->value)->groupBy('rule_id') as $id => $counted) {
            $goal = $this->goals[$id] ?? null;
            $rows[] = RuleCost::of($rules[$id]->name ?? 'A rule that is gone', 'rule', $counted, $rules[$id] ?? null, $goal);
        }
        usort($rows, fn (RuleCost $a, RuleCost $b): int => $b->micros <=> $a->micros);
        $others = [
            MessageOrigin::Staff->value => 'Written by hand', MessageOrigin::Words->value => 'Answers to stop, start and help',
            MessageOrigin::Notice->value => 'Notices to ourselves', MessageOrigin::Them->value => 'Came in',
        ];
        foreach ($others as $origin => $says) {
            $counted = $this->counted->where('origin', $origin);
            $counted->isEmpty() || $rows[] = RuleCost::of($says, $origin === MessageOrigin::Them->value ? null : $origin, $counted);
        }

        return $rows;
    }

    /** @return list<array{line: Line, texts: int, micros: int}> */
    public function byLine(): array
    {
        $of = fn (Line $line, string $what): int => (int) $this->out()->where('line_id', $line->id)->sum($what);
        $rows = array_values(Line::query()
            ->orderBy('id')
            ->get()
            ->map(fn (Line $line): array => ['line' => $line, 'texts' => $of($line, 'texts'), 'micros' => $of($line, 'price')])
            ->all());
        usort($rows, fn (array $a, array $b): int => $b['micros'] <=> $a['micros']);

        return $rows;
    }

    /** @return list<array{country: string, says: string, texts: int, micros: int}> */
    public function byCountry(): array
    {
        return array_values(CountryCounts::between($this->from, $this->until)->map(fn (\stdClass $row): array => [
            'country' => (string) $row->country,
            'says' => $row->country === '' ? 'not known' : (\Locale::getDisplayRegion("-$row->country", 'en') ?: (string) $row->country),
            'texts' => (int) $row->texts, 'micros' => (int) $row->price,
        ])->all());
    }

    /** @return list<string> months to go to, the newest first, as YYYY-MM */
    public function months(): array
    {
        $first = substr((string) DB::table('message_counts')->min('day'), 0, 7);
        $months = [];
        $month = new \DateTimeImmutable("{$this->thisMonth()}-01");
        while (count($months) < 12 && ($months === [] || $month->format('Y-m') >= $first)) {
            $months[] = $month->format('Y-m');
            $month = $month->modify('-1 month');
        }

        return $months;
    }

    /**
     * @param  array<string, int|string>  $asked
     * @return array<string, int|string> what Sent is asked for, to list some of it
     */
    public function listed(array $asked): array
    {
        return ['from' => $this->from, 'until' => (new \DateTimeImmutable($this->until))->modify('-1 day')->format('Y-m-d'), ...$asked];
    }

    /** @return Collection<array-key, \stdClass> what has gone out */
    private function out(): Collection
    {
        return $this->counted->where('origin', '!=', MessageOrigin::Them->value);
    }

    private function thisMonth(): string
    {
        return substr(Day::of($this->now, $this->business->zone)->date, 0, 7);
    }

    private function begins(string $day): \DateTimeImmutable
    {
        return (new Day($day, $this->business->zone))->begins;
    }
}
