<?php

declare(strict_types=1);

namespace App\Pages\Ahead;

use App\Clock\Day;
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

    public function __construct(ComingFilter $filter, public Business $business, public \DateTimeImmutable $now)
    {
        $local = $now->setTimezone(new \DateTimeZone($business->zone));
        $last = Day::of($local->setTime(12, 0)->modify('+'.HourField::DAYS.' days'), $business->zone)->date;
        $counted = new ComingTextQuery($filter, $now, $local->format('Y-m-d\TH'), $last);
        $hours = $counted->byHour();
        // Where nothing is asked for, the next hour that has any.
        $this->filter = $filter->show === '' && $filter->at === '' ? $filter->at((string) array_key_first($hours)) : $filter;
        $this->query = new ComingTextQuery($this->filter, $now, $local->format('Y-m-d\TH'), $last);
        $this->field = new HourField($now, $business->zone, $business->gatePolicy()->serviceHours, $hours, $this->filter->at);
        $this->texts = array_sum(array_column($hours, 'texts'));
        $chosen = array_filter(
            $hours,
            fn (string $hour): bool => $this->filter->at !== '' && str_starts_with($hour, $this->filter->at),
            ARRAY_FILTER_USE_KEY,
        );
        $this->chosenTexts = array_sum(array_column($chosen, 'texts'));
        $this->chosenMicros = array_sum(array_column($chosen, 'micros'));
        $this->heldForHours = $counted->heldForHours();
        $this->waitForSomebody = $counted->waitForSomebody();
        $this->freshness = Freshness::read();
    }

    /** @return Paginator<int, ComingText> */
    public function list(): Paginator
    {
        return once(fn (): Paginator => $this->query->texts());
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
        $busiest = $this->query->busiestMinute();
        $line = $busiest === null ? null : Line::query()->find($busiest->lineId);
        if ($busiest === null || $line === null) {
            return null;
        }
        $when = $busiest->at->setTimezone(new \DateTimeZone($this->business->zone))->format('D j M H:i');
        $most = $line->read()->pace->minuteLimit();

        return "The busiest minute, $when, needs ".($most === null
            ? TimeFormatter::count($busiest->texts, 'text', 'texts')." of the $line->name, which has no limit."
            : TimeFormatter::number($busiest->texts).' of the '.TimeFormatter::count($most, 'text', 'texts')
                ." that the $line->name may send in it.");
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
