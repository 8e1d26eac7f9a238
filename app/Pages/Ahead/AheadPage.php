<?php

declare(strict_types=1);

namespace App\Pages\Ahead;

use App\Clock\TimeFormatter;
use App\Models\Business;
use App\Models\ComingText;
use App\Models\Line;
use App\Models\RecordType;
use App\Models\Rule;
use Illuminate\Contracts\Pagination\Paginator;
use Illuminate\Database\Eloquent\Collection;

/** What is about to leave, is there room? */
final readonly class AheadPage
{
    /** So many are looked at to tell how long they queue. */
    private const QUEUED = 3000;

    public HourField $field;

    public int $texts;

    public int $heldForHours;

    public int $waitForSomebody;

    /** Of the day or hour that is chosen. */
    public int $chosenTexts;

    public int $chosenMicros;

    public Freshness $freshness;

    public ComingFilter $filter;

    private ComingTextQuery $query;

    private ?BusiestMinute $busiest;

    public function __construct(ComingFilter $filter, public Business $business, public \DateTimeImmutable $now)
    {
        $this->query = new ComingTextQuery($filter, $now, $business->zone);
        $hours = $this->query->byHour();
        // Where nothing is asked for, the next hour that has any.
        $this->filter = $filter->show === '' && $filter->at === '' ? $filter->at((string) array_key_first($hours)) : $filter;
        // Of some people alone it says nothing of a line's room.
        $this->busiest = $filter->find === '' ? $this->query->busiestMinute($hours) : null;
        $this->field = new HourField($now, $business->zone, $business->gatePolicy()->serviceHours, $hours, $this->filter->at);
        $this->texts = self::sum($hours, fn (HourCount $hour): int => $hour->texts);
        $chosen = array_filter(
            $hours,
            fn (string $hour): bool => $this->filter->at !== '' && str_starts_with($hour, $this->filter->at),
            ARRAY_FILTER_USE_KEY,
        );
        $this->chosenTexts = self::sum($chosen, fn (HourCount $hour): int => $hour->texts);
        $this->chosenMicros = self::sum($chosen, fn (HourCount $hour): int => $hour->micros);
        $this->heldForHours = self::sum($hours, fn (HourCount $hour): int => $hour->held);
        $this->waitForSomebody = $this->query->waitForSomebody();
        $this->freshness = Freshness::read();
    }

    /**
     * @param  array<string, HourCount>  $hours
     * @param  \Closure(HourCount): int  $what
     */
    private static function sum(array $hours, \Closure $what): int
    {
        return array_sum(array_map($what, $hours));
    }

    /** @return Paginator<int, ComingText> */
    public function list(): Paginator
    {
        return once(fn (): Paginator => $this->query->texts($this->filter));
    }

    public function listIsCalled(): string
    {
        return match ($this->filter->show) {
            ComingFilter::YOU => 'What waits for you',
            ComingFilter::HOURS => 'Held for a decent hour',
            ComingFilter::ALL => 'All of them',
            default => HourField::says($this->filter->at),
        };
    }

    /** Whether its lines have room for what they are asked for. */
    public function room(): ?string
    {
        $busiest = $this->busiest;
        $line = $busiest === null ? null : Line::query()->find($busiest->lineId);
        if ($busiest === null || $line === null) {
            return null;
        }
        $when = $busiest->at->setTimezone(new \DateTimeZone($this->business->zone))->format('D j M H:i');
        $most = $line->read()->pace->minuteLimit();

        return "The busiest minute, $when, needs ".($most === null
            ? TimeFormatter::count($busiest->texts, 'text', 'texts')." of the $line->name, which has no limit."
            : TimeFormatter::number($busiest->texts).' of the '.TimeFormatter::count($most, 'text', 'texts')
                ." that the $line->name may send in it.".($busiest->texts > $most ? $this->delay($busiest, $line) : ''));
    }

    /** What too little room puts off. */
    private function delay(BusiestMinute $busiest, Line $line): string
    {
        $queue = Queue::of($line->read()->pace, $this->query->from($busiest, self::QUEUED));
        $longest = TimeFormatter::lasting($this->now, $this->now->modify("+$queue->longest seconds"));

        return ' '.ucfirst(TimeFormatter::count($queue->wait, 'text waits', 'texts wait'))." for room, the last for $longest.";
    }

    /** @return Collection<int, Rule> */
    public function rules(): Collection
    {
        return Rule::query()->whereNotNull('version_id')->orderBy('name')->get(['id', 'name']);
    }

    /** @return Collection<int, Line> */
    public function lines(): Collection
    {
        return Line::query()->orderBy('id')->get(['id', 'name']);
    }

    /** @return Collection<int, RecordType> */
    public function types(): Collection
    {
        return RecordType::query()->orderBy('name')->get(['id', 'name']);
    }
}
