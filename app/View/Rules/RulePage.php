<?php

declare(strict_types=1);

namespace App\View\Rules;

use App\Engine\Profiles;
use App\Engine\Situations;
use App\Models\Business;
use App\Models\Line;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Rule;
use Illuminate\Database\Eloquent\Collection;
use Linnet\Core\Engine\Situation;
use Linnet\Core\Record\Receiver;
use Linnet\Core\Rehearsal\OneRecord;
use Linnet\Core\Rehearsal\Rehearsed;
use Linnet\Core\Rehearsal\RehearsedText;
use Linnet\Core\Rule as Core;
use Linnet\Core\Rule\Condition\Weighed;
use Linnet\Core\Rule\Step\Text;
use Linnet\Core\Text\Opening;

/** What exactly will happen? A rule as it is written, and as it would go for one real record. */
final class RulePage
{
    /** Stands for the words between what is added before and after them (a private-use character). */
    private const PLACE = "\u{E000}";

    /** Records offered as a sample. */
    private const SAMPLES = 40;

    public readonly Core\Rule $written;

    public readonly Prose $prose;

    /** @var Collection<int, Record> */
    public readonly Collection $samples;

    public readonly ?Record $sample;

    public readonly ?Receiver $receiver;

    public readonly ?Rehearsed $rehearsed;

    public readonly ?TimeLine $timeLine;

    /** Why it would not start for the sample; null where it would. */
    public readonly ?Weighed $notStarted;

    private ?Situation $situation = null;

    public function __construct(
        public readonly Rule $rule,
        public readonly Business $business,
        private readonly Profiles $profiles,
        private readonly Situations $situations,
        ?int $sampleId,
    ) {
        $this->written = $rule->written();
        $this->prose = new Prose($this->written);
        $type = RecordType::query()->firstWhere('key', $this->written->trigger->type());
        $this->samples = Record::query()->where('record_type_id', $type?->id)->whereNotNull('person_id')
            ->with(['person.number', 'type.fields'])->orderByDesc('id')->limit(self::SAMPLES)->get();
        $this->sample = $this->choose($sampleId);
        if ($this->sample?->person === null) {
            $this->receiver = $this->rehearsed = $this->timeLine = $this->notStarted = null;

            return;
        }
        $this->receiver = $this->profiles->receiver($this->sample->person, $business);
        $this->situation = $this->situationOf($this->sample);
        $weighed = $this->written->conditions->weigh($this->situation);
        $this->notStarted = $weighed->holds() ? null : $weighed;
        $this->rehearsed = $this->rehearsal($this->written)?->rehearse($this->situation);
        $this->timeLine = $this->rehearsed === null ? null : new TimeLine(
            $this->rehearsed, $business->gatePolicy()->serviceHours, $this->receiver->zone, mb_strtolower($this->sample->type->name), $this->written,
        );
    }

    /** How a text step went in the rehearsal; null if it was not come to. */
    public function textOf(string $step): ?RehearsedText
    {
        foreach ($this->rehearsed->texts ?? [] as $text) {
            if ($text->step === $step) {
                return $text;
            }
        }

        return null;
    }

    public function lineOf(Text $step): ?Line
    {
        return $step->line !== null
            ? Line::query()->firstWhere('key', $step->line)
            : ($this->sample === null ? null : $this->situations->line($this->sample));
    }

    /**
     * The fields a text may name, with the sample's values.
     *
     * @return array<string, string> value by path
     */
    public function fields(): array
    {
        $paths = ['first_name', 'last_name'];
        foreach ($this->sample->type->fields ?? [] as $field) {
            $paths[] = "{$this->written->trigger->type()}.$field->key";
        }
        $fields = [];
        foreach ([...$paths, 'line.name', 'business.name'] as $path) {
            $value = $this->situation?->facts->at($path);
            $fields[$path] = is_scalar($value) ? (string) $value : ($value instanceof \Linnet\Core\Record\Moment ? $value->at->setTimezone(new \DateTimeZone($this->business->zone))->format('D j M H:i') : '');
        }

        return $fields;
    }

    /**
     * What Linnet adds before and after the words, being the first automatic text on its line to the sample's person.
     *
     * @return array{string, string}
     */
    public function addedTo(Text $step): array
    {
        $first = ! $this->openingSpent($step) && $step === array_values(array_filter($this->written->steps, fn ($s): bool => $s instanceof Text))[0];
        $sender = $this->business->asSender();

        [$before, $after] = [...explode(self::PLACE, Opening::around(self::PLACE, $sender->name, $sender->stopLine), 2), ''];

        return $first ? [$before, $after] : ['', ''];
    }

    /** "09:00 to 18:00 on a Monday": the opening hours of the sample's day. */
    public function openToday(): string
    {
        $day = ($this->sample === null ? new \DateTimeImmutable('2026-03-02') : $this->sample->added_at)->setTimezone(new \DateTimeZone($this->business->zone));
        $open = array_map(
            fn (array $stretch): string => implode(' to ', array_map(fn (\DateTimeImmutable $at): string => $at->setTimezone(new \DateTimeZone($this->business->zone))->format('H:i'), $stretch)),
            $this->business->openingHours()->stretches($day, new \DateTimeZone($this->business->zone)),
        );

        return ($open === [] ? 'never' : implode(' and ', $open)).' on a '.$day->format('l');
    }

    /** The rehearsal with one text's wording replaced. */
    public function with(Core\Rule $rule): ?Rehearsed
    {
        return $this->situation === null ? null : $this->rehearsal($rule)?->rehearse($this->situation);
    }

    /** @return array{live: int, held: int} what is under way */
    public function underWay(): array
    {
        return [
            'live' => $this->rule->runs()->where('live', true)->count(),
            'held' => Message::query()->where('rule_id', $this->rule->id)->whereIn('state', [MessageState::Waiting, MessageState::SetAside])->count(),
        ];
    }

    private function rehearsal(Core\Rule $rule): ?OneRecord
    {
        if ($this->receiver === null || $this->sample === null) {
            return null;
        }

        return new OneRecord(
            $rule, $this->receiver, $this->business->asSender(), $this->business->gatePolicy(),
            fn (Text $step): string => $this->lineOf($step)->name ?? 'a line', $this->openingSpent(...), "{$this->sample->id}/",
        );
    }

    /** The sample's person has had an automatic text on the step's line before the record came in. */
    private function openingSpent(Text $step): bool
    {
        return $this->sample !== null && Message::query()->where('person_id', $this->sample->person_id)->where('line_id', $this->lineOf($step)?->id)
            ->where('origin', MessageOrigin::Rule)->whereIn('state', MessageState::left())->where('left_at', '<', $this->sample->added_at)->exists();
    }

    private function situationOf(Record $record): Situation
    {
        $receiver = $record->person === null ? null : $this->profiles->receiver($record->person, $this->business);

        return $this->situations->of($record->person, $receiver, $record, $this->situations->line($record), $this->business, $record->added_at)->unanswered();
    }

    /** The one asked for, else the newest the rule would start for, else the newest. */
    private function choose(?int $id): ?Record
    {
        return $this->samples->find($id)
            ?? $this->samples->take(12)->first(fn (Record $record): bool => $this->written->conditions->weigh($this->situationOf($record))->holds())
            ?? $this->samples->first();
    }
}
