<?php

declare(strict_types=1);

namespace App\Pages;

use App\Clock\Day;
use App\Models\Business;
use App\Models\Line;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\Outage;
use Illuminate\Contracts\Pagination\Paginator;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Record\HealthLimits;
use Psr\Clock\ClockInterface;

/** The lines, with what each has sent today against what it may, and its failures against their limits. */
final class LinesPage
{
    /** @var Paginator<int, Line> */
    public readonly Paginator $lines;

    public readonly HealthLimits $health;

    public readonly ?Outage $outage;

    public readonly \DateTimeImmutable $now;

    public readonly Day $day;

    /** @var array<string, non-empty-list<string>> what those that stand in for one another are called, by the name of their pool */
    public readonly array $pools;

    /** @var array<int, int> by line */
    private readonly array $sent;

    /** @var array<int, int> by line */
    private readonly array $waits;

    public function __construct(ClockInterface $clock)
    {
        $business = Business::current();
        $this->now = $clock->now();
        $this->outage = Outage::toSay($this->now);
        $this->health = $business->gatePolicy()->health;
        $this->day = Day::of($this->now, $business->zone);
        $this->lines = Line::query()->orderBy('id')->simplePaginate(20);
        $pools = [];
        foreach (Line::query()->whereNotNull('pool')->orderBy('pool')->orderBy('id')->get(['name', 'pool']) as $line) {
            $pools[(string) $line->pool][] = $line->name;
        }
        $this->pools = $pools;
        $this->sent = DB::table('message_counts')
            ->where('day', $this->day->date)
            ->whereIn('state', MessageState::left())
            ->groupBy('line_id')
            ->selectRaw('line_id, sum(texts) as many')
            ->pluck('many', 'line_id')
            ->all();
        // By the index of those that wait; the one in the order of lines would be walked whole.
        $this->waits = Message::query()
            ->kept()
            ->where('state', MessageState::Waiting)
            ->toBase()
            ->groupByRaw('line_id + 0')
            ->selectRaw('line_id + 0 as line, count(*) as many')
            ->pluck('many', 'line')
            ->all();
    }

    public function sentToday(Line $line): int
    {
        return (int) ($this->sent[$line->id] ?? 0);
    }

    public function waiting(Line $line): int
    {
        return (int) ($this->waits[$line->id] ?? 0);
    }

    public function dayLimit(Line $line): ?int
    {
        return $line->read()->pace->dayLimit($this->now->getTimestamp());
    }

    /** @return string how fast it may send, in words */
    public function pace(Line $line): string
    {
        $pace = $line->read()->pace;
        $limits = array_filter([
            $pace->perSecond === null ? null : "$pace->perSecond a second",
            $pace->perMinute === null ? null : "$pace->perMinute a minute",
            $this->dayLimit($line) === null
                ? null
                : number_format((int) $this->dayLimit($line)).' a day'.($pace->warmSince === null ? '' : ' today, growing'),
        ]);

        return $limits === [] ? 'as fast as the carrier takes them' : implode(', ', $limits).($pace->even ? ', spread evenly' : '');
    }

    public function failures(Line $line): string
    {
        return $line->attempts === 0
            ? 'nothing known yet'
            : sprintf('%s %% of the last %d', round($line->read()->health->percent(), 1), $line->attempts);
    }

    public function ails(Line $line): bool
    {
        return $this->health->warns($line->read()->health);
    }
}
