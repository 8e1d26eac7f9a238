<?php

declare(strict_types=1);

namespace App\Pages;

use App\Clock\TheirTime;
use App\Database\DistinctValues;
use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Models\Business;
use App\Models\ComingText;
use App\Models\Consent;
use App\Models\Conversation;
use App\Models\Field;
use App\Models\Merge;
use App\Models\Number;
use App\Models\Person;
use App\Models\Record;
use App\Models\Rule;
use App\Models\Run;
use App\Models\Task;
use App\Pages\Ahead\ComingTextReader;
use App\Records\Beside;
use App\Rules\StartByHand;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Record\Change\LabelKind;
use Linnet\Core\Record\Receiver;
use Linnet\Core\Record\RecordType;
use Psr\Clock\ClockInterface;

/** Who is this, what have they had, may I text them? */
final class PersonPage
{
    public Person $person;

    public Receiver $receiver;

    public \DateTimeImmutable $now;

    public TheirTime $time;

    /** What the story is narrowed to. */
    public ?StoryKind $only = null;

    /** The day the story goes up to, by our calendar; null for today. */
    public ?string $day = null;

    public function __construct(private readonly DatabaseSideEffects $sideEffects, ClockInterface $clock)
    {
        $this->now = $clock->now();
    }

    public function about(Person $person): self
    {
        $this->person = $person->load('numbers', 'number');
        $unit = UnitOfWork::reading($this->now, $this->sideEffects);
        $known = $unit->reader->person($person->id) ?? throw new \LogicException('it was just loaded');
        $this->receiver = $unit->contexts->receiver($known);
        $this->time = new TheirTime($this->receiver->zone, $this->now);

        return $this;
    }

    /** Beside what is written to them, at the number that is meant there. */
    public function writtenTo(WritingPage $writing): self
    {
        $this->person = $writing->person->load('numbers', 'number');
        [$this->receiver, $this->time] = [$writing->receiver, $writing->time];

        return $this;
    }

    public function telling(?StoryKind $only, ?string $day): self
    {
        $this->only = $only;
        $this->day = $day;

        return $this;
    }

    /** @return Collection<int, Consent> the newest first */
    public function ledger(): Collection
    {
        return Consent::query()->where('person_id', $this->person->id)->orderByDesc('id')->limit(50)->get();
    }

    /** @return Collection<int, Run> */
    public function underWay(): Collection
    {
        return Run::query()
            ->where('person_id', $this->person->id)
            ->where('live', true)
            ->with(['rule', 'timer', 'version'])
            ->orderBy('id')
            ->get();
    }

    /** @return Collection<int, ComingText> */
    public function coming(): Collection
    {
        return once(fn (): Collection => ComingTextReader::ofPerson($this->person->id));
    }

    /** @return Collection<int, Conversation> */
    public function conversations(): Collection
    {
        return once(fn (): Collection => Conversation::query()
            ->where('person_id', $this->person->id)
            ->with('line')
            ->orderByDesc('last_at')
            ->get());
    }

    /** @return \Illuminate\Support\Collection<int, \stdClass> their tags and lists */
    public function labels(): \Illuminate\Support\Collection
    {
        return once(fn (): \Illuminate\Support\Collection => DB::table('labels')
            ->where('person_id', $this->person->id)
            ->orderBy('kind', 'desc')
            ->orderBy('name')
            ->limit(100)
            ->get(['kind', 'name']));
    }

    /** @return list<string> names that are used already */
    public function knownLabels(): array
    {
        $names = array_merge(...array_map(
            fn (LabelKind $kind): array => DistinctValues::of('labels', 'name', ['kind' => $kind->value]),
            LabelKind::cases(),
        ));
        sort($names);

        return array_slice(array_values(array_unique($names)), 0, 200);
    }

    /** @return Collection<int, Record> the newest few */
    public function records(): Collection
    {
        return once(fn (): Collection => Record::query()->where('person_id', $this->person->id)->with('type.fields')
            ->orderByDesc('id')->limit(5)->get());
    }

    /** @return list<array{Record, Field}> those of others in which they stand too, and where: "host" */
    public function beside(): array
    {
        return Beside::of($this->person->id, 5);
    }

    /** @return Collection<int, Task> what is to be done about them: what is due first, then what has no time */
    public function tasks(): Collection
    {
        return once(fn (): Collection => Task::query()
            ->where('person_id', $this->person->id)
            ->whereNull('done_at')
            ->with('staff')
            ->orderByRaw('due_at is null')
            ->orderBy('due_at')
            ->orderBy('id')
            ->limit(20)
            ->get());
    }

    /** @return Collection<int, Rule> */
    public function startable(): Collection
    {
        return once(fn (): Collection => StartByHand::offered(RecordType::PERSON));
    }

    /** @return Collection<int, Rule> that may be asked why they sent nothing */
    public function rules(): Collection
    {
        return once(fn (): Collection => Rule::query()->whereNotNull('version_id')->orderBy('name')->get(['id', 'name']));
    }

    /** @return Collection<int, Number> the one texts go to first */
    public function numbers(): Collection
    {
        return $this->person->numbers->sortBy([['rank', 'desc'], ['id', 'asc']])->values();
    }

    /** The last entry that was put together with theirs, as long as that can be undone. */
    public function merge(): ?Merge
    {
        $merge = Merge::query()->with('staff')->where('person_id', $this->person->id)->whereNull('undone_at')->orderByDesc('id')->first();

        return $merge?->canBeUndone($this->now) === true ? $merge : null;
    }

    public function story(): Story
    {
        return once(function (): Story {
            $zone = Business::current()->zone;
            $until = $this->day === null
                ? null
                : (new \DateTimeImmutable("$this->day 23:59:59", new \DateTimeZone($zone)))->setTimezone(new \DateTimeZone('UTC'));

            return StoryReader::ofPerson($this->person, $zone, $this->only, $until);
        });
    }
}
