<?php

declare(strict_types=1);

namespace App\Counts;

use App\Clock\Day;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** Texts as they were counted while they arose: by rule, version, wording, line, state and day of the business. */
final class MessageCounts
{
    private const KEY = ['rule_id', 'rule_version_id', 'step', 'wording', 'line_id', 'origin', 'state', 'day'];

    private const COUNTED = ['texts', 'parts', 'price_micros', 'answered', 'ended', 'opened', 'met'];

    /** Texts that have gone out on a day, by whomever. */
    public static function left(Day $day): int
    {
        return (int) self::of(MessageState::left())->where('day', $day->date)->sum('texts');
    }

    /** Texts that wait for their moment, or for somebody. */
    public static function kept(int $rule): int
    {
        return (int) self::of([MessageState::Waiting, MessageState::SetAside])->where('rule_id', $rule)->sum('texts');
    }

    /** @return Collection<array-key, \stdClass> by rule: its texts that have gone out since a day, those answered, and their price */
    public static function byRule(Day $since): Collection
    {
        return self::of(MessageState::left())
            ->where('origin', MessageOrigin::Rule->value)
            ->where('day', '>=', $since->date)
            ->groupBy('rule_id')
            ->selectRaw('rule_id, sum(texts) as texts, sum(answered) as answered, sum(price_micros) as price')
            ->get()
            ->keyBy('rule_id');
    }

    /** @return Collection<array-key, \stdClass> by step and wording: texts that passed the gate since a day, and what came of them */
    public static function byWording(int $rule, Day $since): Collection
    {
        return self::ofRule($rule)->where('day', '>=', $since->date)->groupBy('step', 'wording')->addSelect(['step', 'wording'])->get();
    }

    /** @return Collection<array-key, \stdClass> the same by version, over all its time */
    public static function byVersion(int $rule): Collection
    {
        return self::ofRule($rule)->groupBy('rule_version_id')->addSelect('rule_version_id')->get()->keyBy('rule_version_id');
    }

    /** @return array<string, array{int, int}> texts that passed the gate, and how many of them were answered, by day */
    public static function byDay(int $rule, Day $since): array
    {
        $rows = self::ofRule($rule)->where('day', '>=', $since->date)->groupBy('day')->addSelect('day')->get();

        return $rows
            ->mapWithKeys(fn (\stdClass $row): array => [substr((string) $row->day, 0, 10) => [(int) $row->sent, (int) $row->answered]])
            ->all();
    }

    /**
     * @param  string  $from  YYYY-MM-DD, the first day
     * @param  string  $until  the first that counts no more
     * @return Collection<array-key, \stdClass> by rule, line and by whom: texts that have gone out or come in, and their price
     */
    public static function byRuleAndLine(string $from, string $until): Collection
    {
        return self::of([MessageState::Received, ...MessageState::left()])
            ->where('day', '>=', $from)
            ->where('day', '<', $until)
            ->groupBy('rule_id', 'line_id', 'origin')
            ->selectRaw('rule_id, line_id, origin, sum(texts) as texts, sum(price_micros) as price, sum(answered) as answered')
            ->get();
    }

    /** What became of a rule's texts that a carrier was offered. */
    private static function ofRule(int $rule): Builder
    {
        $failed = "state = '".MessageState::Failed->value."'";
        $arrived = "state = '".MessageState::Arrived->value."'";

        return self::of(MessageState::offered())
            ->where('rule_id', $rule)
            ->where('origin', MessageOrigin::Rule->value)
            ->selectRaw("sum(case when $failed then 0 else texts end) as sent, sum(case when $failed then texts else 0 end) as failed")
            ->selectRaw("sum(case when $arrived then texts else 0 end) as arrived, sum(answered) as answered, sum(ended) as ended")
            ->selectRaw("sum(opened) as opened, sum(met) as met, sum(case when $failed then 0 else price_micros end) as price");
    }

    /**
     * The counts beside the rows they count.
     *
     * @return list<\stdClass> where they differ, by their keys
     */
    public static function differences(): array
    {
        $key = implode(', ', self::KEY);
        $sums = implode(', ', array_map(fn (string $what): string => "sum($what) as $what", self::COUNTED));
        $less = implode(', ', array_map(fn (string $what): string => "-$what as $what", self::COUNTED));
        $any = implode(' or ', array_map(fn (string $what): string => "sum($what) <> 0", self::COUNTED));
        $columns = implode(', ', [...self::KEY, ...self::COUNTED]);

        return array_values(DB::select("select $key, $sums from (select $columns from message_counts union all select $key, $less from (".self::counted().
            ") as counted) as both_ways group by $key having $any"));
    }

    /** Counts all anew, while nobody writes a text. */
    public static function recount(): void
    {
        DB::transaction(function (): void {
            DB::getDriverName() === 'pgsql' && DB::statement('lock table messages, links, runs in share mode');
            DB::table('message_counts')->delete();
            DB::statement('insert into message_counts ('.implode(', ', [...self::KEY, ...self::COUNTED]).') '.self::counted());
        });
    }

    /** @param  list<MessageState>  $states */
    private static function of(array $states): Builder
    {
        return DB::table('message_counts')->whereIn('state', array_map(fn (MessageState $state): string => $state->value, $states));
    }

    /** The rows themselves, counted one by one. */
    private static function counted(): string
    {
        $offset = 'coalesce((select seconds from account_offsets where begins_at <= m.at order by begins_at desc limit 1), 0)';
        $day = DB::getDriverName() === 'pgsql' ? "(m.at + make_interval(secs => $offset))::date" : "date(m.at, $offset || ' seconds')";

        return "select coalesce(m.rule_id, 0) as rule_id, coalesce(m.rule_version_id, 0) as rule_version_id, coalesce(m.step, '') as step,
            coalesce(m.wording, '') as wording, m.line_id, m.origin, m.state, $day as day, count(*) as texts, sum(m.parts) as parts,
            sum(m.price_micros) as price_micros, count(m.answered_at) as answered, sum(case when m.ended then 1 else 0 end) as ended,
            sum(case when m.id in (select message_id from links where opened_at is not null) then 1 else 0 end) as opened,
            sum(case when r.outcome = 'goal' then 1 else 0 end) as met
            from messages m left join runs r on r.id = m.run_id
            group by 1, 2, 3, 4, 5, 6, 7, 8";
    }
}
