<?php

declare(strict_types=1);

namespace App\Pages\Today;

use App\Clock\Day;
use App\Counts\HourCounts;
use App\Counts\MessageCounts;
use App\Counts\WaitingConversations;
use App\Models\Business;
use App\Models\ComingText;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\Outage;
use App\Models\Rule;
use App\Models\Staff;
use App\Pages\Ahead\ComingTextReader;
use Illuminate\Database\Eloquent\Collection;
use Linnet\Core\Record\ActivationState;

/** Is everything all right, and what needs me? */
final readonly class TodayPage
{
    /** So many of those that are to come are shown. */
    private const MOST = 12;

    public Day $day;

    public Day $since;

    public int $left;

    public int $coming;

    public int $waiting;

    public Late $late;

    /** How many wait for a carrier that does not answer. */
    public int $outboxed;

    /** @var list<Need> */
    public array $needs;

    /** @var Collection<int, ComingText> what is late first */
    public Collection $comingToday;

    public DayDrawn $drawn;

    public function __construct(public Business $business, public \DateTimeImmutable $now, ?Staff $staff)
    {
        $this->day = Day::of($now, $business->zone);
        $this->since = Day::firstOf(30, $now, $business->zone);
        $this->left = MessageCounts::left($this->day);
        $coming = HourCounts::coming($this->day, $now);
        // What is late, and what is still to come.
        $this->coming = ComingTextReader::countUntil($now) + array_sum($coming);
        $this->late = DueReader::late($now);
        $outage = Outage::toSay($now);
        $this->outboxed = $outage?->waiting() ?? 0;
        $this->waiting = resolve(WaitingConversations::class)->count();
        // The most pressing first.
        $this->needs = [
            ...WorkNeeds::all($now, $business->zone, $this->late, $outage),
            ...EngineNeeds::all($staff, $now, $business->zone),
            ...TextNeeds::all($now),
            ...IntakeNeeds::all($now),
            ...StockNeeds::all($now, $business),
        ];
        $this->comingToday = ComingTextReader::until($this->day->ends, self::MOST);
        $this->drawn = new DayDrawn(
            $this->day, $now, $business->gatePolicy()->serviceHours, HourCounts::left($this->day), $coming,
        );
    }

    /** The worker comes round several times a second. */
    public function isLate(ComingText $coming): bool
    {
        return $coming->leaves_at < $this->now->modify('-1 minute');
    }

    /** @return Collection<int, Message> */
    public function justSaid(): Collection
    {
        return Message::query()->where('state', MessageState::Received)->with(['person.number', 'line'])
            ->orderByDesc('at')->orderByDesc('id')->limit(4)->get();
    }

    /** @return list<array{rule: Rule, texts: int, answered: int}> over 30 days, the busiest first */
    public function rulesAtWork(): array
    {
        $rules = Rule::query()->where('power', ActivationState::On)->get();
        $texts = MessageCounts::byRule($this->since);

        return array_values($rules->map(fn (Rule $rule): array => [
            'rule' => $rule, 'texts' => (int) ($texts[$rule->id]->texts ?? 0), 'answered' => (int) ($texts[$rule->id]->answered ?? 0),
        ])->sortByDesc('texts')->all());
    }
}
