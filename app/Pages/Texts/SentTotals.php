<?php

declare(strict_types=1);

namespace App\Pages\Texts;

use App\Models\MessageState;
use Illuminate\Support\Facades\DB;

/** How many texts Sent lists, how many of them have gone, and what those cost: by the counts that are kept, where these tell. */
final readonly class SentTotals
{
    private const COLUMNS = ['rule' => 'rule_id', 'line' => 'line_id', 'step' => 'step', 'wording' => 'wording', 'by' => 'origin'];

    /** States of texts that have passed the gate; of those that failed some had, and some had not. */
    private const GONE = [MessageState::Ready, MessageState::CutOff, MessageState::Handed, MessageState::Arrived];

    private function __construct(public int $texts, public int $gone, public int $parts, public int $micros)
    {
    }

    public static function of(SentQuery $query): self
    {
        $told = array_diff_key($query->asked, self::COLUMNS, ['state' => 1, 'from' => 1, 'until' => 1, 'order' => 1]) === [];
        $states = $query->states();
        if (! $told || $states === null || $query->of('wording') === '~') {
            return self::counted($query);
        }
        $kept = self::kept($query, array_filter($states, fn (MessageState $state): bool => $state !== MessageState::Failed));
        // Some of those had passed the gate and some had not; they are few.
        $failed = in_array(MessageState::Failed, $states, true) ? self::counted($query->failed()) : new self(0, 0, 0, 0);

        return new self(
            $kept->texts + $failed->texts, $kept->gone + $failed->gone, $kept->parts + $failed->parts, $kept->micros + $failed->micros,
        );
    }

    /** @param  array<int, MessageState>  $states */
    private static function kept(SentQuery $query, array $states): self
    {
        $gone = "state in ('".implode("', '", array_map(fn (MessageState $state): string => $state->value, self::GONE))."')";
        $counts = DB::table('message_counts')
            ->where('origin', '!=', 'them')
            ->whereIn('state', array_map(fn (MessageState $state): string => $state->value, $states));
        foreach (self::COLUMNS as $what => $column) {
            $query->of($what) === '' || $counts->where($column, $query->of($what));
        }
        $query->of('from') === '' || $counts->where('day', '>=', $query->of('from'));
        $query->of('until') === '' || $counts->where('day', '<=', $query->of('until'));

        return self::read($counts->selectRaw(
            "sum(texts) as texts, sum(case when $gone then texts else 0 end) as gone,
             sum(case when $gone then parts else 0 end) as parts, sum(case when $gone then price_micros else 0 end) as micros",
        )->first());
    }

    private static function counted(SentQuery $query): self
    {
        return self::read($query->texts()->toBase()->selectRaw(
            'count(*) as texts, sum(case when left_at is not null then 1 else 0 end) as gone,
             sum(case when left_at is not null then parts else 0 end) as parts,
             sum(case when left_at is not null then price_micros else 0 end) as micros',
        )->first());
    }

    private static function read(?object $row): self
    {
        $row = (array) $row;

        return new self((int) ($row['texts'] ?? 0), (int) ($row['gone'] ?? 0), (int) ($row['parts'] ?? 0), (int) ($row['micros'] ?? 0));
    }
}
