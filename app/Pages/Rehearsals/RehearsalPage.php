<?php

declare(strict_types=1);

namespace App\Pages\Rehearsals;

use App\Clock\Day;
use App\Clock\TimeFormatter;
use App\Models\Business;
use App\Models\Line;
use App\Models\Rehearsal;
use App\Models\RehearsalSide;
use App\Models\RehearsedText;
use App\Models\Rule;
use App\Models\Sign;
use App\Pages\Bars;
use App\Rehearsals\PastDays;
use App\Sentences\Sentence;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Linnet\Core\Record\ActivationState;

/** What a rule would have done over days that are past, beside what the version that is on would have. */
final readonly class RehearsalPage
{
    private const KEPT = 12;

    /** What is asked for over how many days. */
    public const DAYS = [7, 30, 90];

    public Business $business;

    /** The version that is asked about. */
    public ?Figures $figures;

    /** The version that was on beside it, where they differ. */
    public ?Figures $beside;

    public function __construct(public Rule $rule, public ?Rehearsal $rehearsal, private \DateTimeImmutable $now)
    {
        $this->business = Business::current();
        $kept = array_map(Figures::read(...), $rehearsal->summary ?? []);
        $of = fn (?RehearsalSide $side): ?Figures => $kept[$side->value ?? ''] ?? null;
        $this->figures = $of($rehearsal?->side());
        $this->beside = $rehearsal?->side() === RehearsalSide::Changed ? $of(RehearsalSide::Published) : null;
    }

    public static function latest(Rule $rule): ?Rehearsal
    {
        return Rehearsal::query()->where('rule_id', $rule->id)->orderByDesc('id')->first();
    }

    /** Whether the rule was changed since it was rehearsed. */
    public function isOutdated(): bool
    {
        $written = $this->rehearsal->document ?? $this->rehearsal?->version?->document;

        return $written !== null && $written != ($this->rule->draft ?? $this->rule->version?->document);
    }

    /** "the last 90 days", or from when to when where they are not the last any more. */
    public function period(): string
    {
        $rehearsal = $this->rehearsal;
        if ($rehearsal === null) {
            return '';
        }
        $isLast = $rehearsal->ends_at->diffInHours($this->now, true) < 24;

        return $isLast
            ? "the last $rehearsal->days days"
            : "the $rehearsal->days days up to ".$this->day($rehearsal->ends_at->toDateTimeImmutable());
    }

    /** "2,300 of 9,100 changes, about 40 seconds left." */
    public function progress(): string
    {
        $rehearsal = $this->rehearsal;
        if ($rehearsal === null || $rehearsal->work_began_at === null || $rehearsal->of === 0) {
            return 'Waiting for its turn.';
        }
        $went = max(0, time() - $rehearsal->work_began_at->getTimestamp());
        $left = $rehearsal->done > 0 ? (int) ceil($went * ($rehearsal->of - $rehearsal->done) / $rehearsal->done) : null;
        $says = number_format($rehearsal->done).' of '.number_format($rehearsal->of).' changes gone through';

        return $went < 2 || $left === null ? "$says." : "$says, about {$this->lasting($left)} left.";
    }

    /** Nobody carries it out. */
    public function isStuck(): bool
    {
        return $this->rehearsal?->state->isUnderWay() === true && Sign::of(Sign::REHEARSALS)?->isThere() !== true;
    }

    public function days(): Bars
    {
        $names = [];
        $zone = new \DateTimeZone($this->business->zone);
        $day = $this->rehearsal?->begins_at->setTimezone($zone)->setTime(12, 0);
        for (; $day !== null && $day < $this->rehearsal?->ends_at->setTimezone($zone)->setTime(23, 59); $day = $day->modify('+1 day')) {
            $names[] = $day->format('Y-m-d');
        }

        return new Bars($names, $this->figures->days ?? [], $this->beside?->days, 150, 60);
    }

    public function hours(): Bars
    {
        return new Bars(array_map(strval(...), range(0, 23)), $this->figures->hours ?? [], $this->beside?->hours, 60, 28);
    }

    /** @return list<array{says: string, many: int, beside: int, asked: array<string, string>}> what would not have gone, by reason */
    public function reasons(): array
    {
        $beside = [];
        foreach ($this->beside->reasons ?? [] as $one) {
            $beside["{$one['of']}/{$one['why']}"] = $one['many'];
        }
        $of = [
            'not_begun' => 'Would not have begun: ', 'run' => 'No text came of it: ', 'waiting' => 'Would wait still: ',
            'set_aside' => 'Set aside: ',
        ];
        $reasons = [];
        foreach ($this->figures->reasons ?? [] as $one) {
            $key = "{$one['of']}/{$one['why']}";
            $reasons[] = [
                'says' => ucfirst(($of[$one['of']] ?? '').$one['why']), 'many' => $one['many'], 'beside' => $beside[$key] ?? 0,
                'asked' => ['what' => $one['of'], 'reason' => $one['why']],
            ];
            unset($beside[$key]);
        }

        return $reasons;
    }

    /** @return Collection<int, RehearsedText> as they would have read: one that came too late, one that was held, and others */
    public function examples(): Collection
    {
        $went = fn (string $by): Builder => RehearsedText::query()
            ->where('rehearsal_id', $this->rehearsal->id ?? 0)
            ->where('side', $this->rehearsal?->side())
            ->whereNotNull('left_at')
            ->with(['person.number', 'record.type'])
            ->orderByDesc($by);
        $late = $went('wanted_at')->whereNotNull('too_late_since')->limit(2)->get();
        $held = $went('wanted_at')->whereNotNull('held_by')->limit(1)->get();

        return $late->concat($held)->concat($went('left_at')->limit(3)->get())->unique('id')->take(3)->values();
    }

    /** "Sat 14 Feb 11:02, three texts; the line takes 30 a minute." */
    public function busiest(Figures $figures): string
    {
        if ($figures->busiest === null) {
            return 'none';
        }
        $at = new \DateTimeImmutable($figures->busiest['at'], new \DateTimeZone('UTC'));

        $local = $at->setTimezone(new \DateTimeZone($this->business->zone));

        return $local->format('D j M H:i').', '.TimeFormatter::count($figures->busiest['texts'], 'text', 'texts');
    }

    /** What the line of the busiest minute takes in one; null where it has no limit. */
    public function pace(): ?string
    {
        $busiest = $this->figures?->busiest;
        $line = $busiest === null ? null : Line::query()->find($busiest['line']);
        $minute = $line?->read()->pace->minuteLimit();

        return $line === null || $minute === null ? null : "The $line->name lets $minute leave in a minute";
    }

    /**
     * What it would have done besides, in words.
     *
     * @return list<string>
     */
    public function acts(): array
    {
        $words = [
            'set' => ['field set', 'fields set'], 'add_tag' => ['tag added', 'tags added'],
            'remove_tag' => ['tag taken away', 'tags taken away'],
            'add_list' => ['list joined', 'lists joined'], 'remove_list' => ['list left', 'lists left'], 'notice' => ['notice', 'notices'],
            'email' => ['mail', 'mails'], 'task' => ['task', 'tasks'], 'look_up' => ['number looked up', 'numbers looked up'],
            'call_out' => ['post to another system', 'posts to other systems'], 'start_rule' => ['rule started', 'rules started'],
        ];
        $acts = [];
        foreach ($this->figures->acts ?? [] as $what => $many) {
            $acts[] = TimeFormatter::count($many, ...$words[$what] ?? [$what, $what]);
        }

        return $acts;
    }

    /** @return list<string> what is taken for given */
    public function assumed(): array
    {
        $others = Rule::query()->where('power', ActivationState::On)->whereNotNull('version_id')->whereKeyNot($this->rule->id)->count();

        $besides = $others === 0 ? 'fields' : 'the '.TimeFormatter::count($others, 'other rule that is on', 'other rules that are on');
        $earlier = ltrim(PastDays::WARM_UP, '-');

        return [
            'What people wrote then is taken as they wrote it. What they would have written to texts they never had cannot be known.',
            "Records and people are as they were at each moment; safeguards, lines, prices and $besides are as they are now.",
            'Texts that wait to be let go count as let go at once, and none is made personal, moved or skipped by hand.',
            "It begins up to $earlier earlier, so that what was under way on the first day is known. It knows nothing older, and nobody who"
                .' was erased.',
            'A number that carriers found dead is dead here; other failures at the carrier are not repeated.',
        ];
    }

    /** @return Collection<int, Rehearsal> */
    public function kept(): Collection
    {
        return Rehearsal::query()->where('rule_id', $this->rule->id)->with('staff')->orderByDesc('id')->limit(self::KEPT)->get();
    }

    public function lasting(int $seconds): string
    {
        return TimeFormatter::lasting($this->now, $this->now->modify("+$seconds seconds"));
    }

    public function late(RehearsedText $text): string
    {
        return $text->too_late === null || $text->too_late_since === null || $text->left_at === null
            ? ''
            : TimeFormatter::lasting($text->too_late_since, $text->left_at).' too late: '.lcfirst(Sentence::of($text->too_late));
    }

    private function day(\DateTimeImmutable $at): string
    {
        return Day::of($at, $this->business->zone)->begins->setTimezone(new \DateTimeZone($this->business->zone))->format('D j M');
    }
}
