<?php

declare(strict_types=1);

namespace App\Pages\Texts;

use App\Engine\DomainEventReader;
use App\Engine\Store\UnitOfWork;
use App\Models\ComingText;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\Person;
use App\Models\Record;
use App\Models\Rule;
use App\Models\Trace;
use App\Pages\Rules\Writing;
use App\Rules\Vocabularies;
use App\Sentences\Sentence;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Linnet\Core\Engine\WhyNot;

/** Why a rule sent somebody nothing: what was decided about them where it was, and what the engine would say now. */
final readonly class WhyNotPage
{
    private const MOST = 20;

    public function __construct(public Person $person, public ?Record $record, public Rule $rule, private UnitOfWork $unit)
    {
    }

    /** What begins it, in its own words. */
    public function begins(): string
    {
        $rule = $this->rule->version?->read();

        return $rule === null ? '' : Writing::inOneSentence(Vocabularies::language(), $rule);
    }

    /** @return Collection<int, Message> what it did send, the newest first */
    public function sent(): Collection
    {
        return Message::query()
            ->where('person_id', $this->person->id)
            ->where('rule_id', $this->rule->id)
            ->where('origin', MessageOrigin::Rule)
            ->when($this->record !== null, fn (Builder $texts) => $texts->whereHas(
                'run', fn (Builder $run) => $run->where('record_id', $this->record?->id),
            ))
            ->orderByDesc('id')
            ->limit(self::MOST)
            ->get();
    }

    /** @return Collection<int, ComingText> what it may send yet */
    public function coming(): Collection
    {
        return ComingText::query()
            ->where('person_id', $this->person->id)
            ->where('rule_id', $this->rule->id)
            ->when($this->record !== null, fn (Builder $texts) => $texts->where('record_id', $this->record?->id))
            ->with(['rule', 'line', 'person.number'])
            ->orderBy('leaves_at')
            ->limit(self::MOST)
            ->get();
    }

    /** @return list<Moment> what was decided of it, the newest first */
    public function decided(): array
    {
        $traces = Trace::query()
            ->where('person_id', $this->person->id)
            ->where('rule_id', $this->rule->id)
            ->when($this->record !== null, fn (Builder $about) => $about->where('record_id', $this->record?->id))
            ->orderByDesc('id')
            ->limit(self::MOST)
            ->get();

        return array_values(array_map(Moment::traced(...), $traces->all()));
    }

    /** @return list<array{bool, string}> what the engine would ask now, and the answers */
    public function now(): array
    {
        $rule = $this->rule->version?->read();
        if ($rule === null) {
            return [];
        }
        $known = $this->record === null ? null : $this->unit->reader->record($this->record->id);
        $subject = (new DomainEventReader($this->unit->reader))->subject($this->person->id, $known);
        $context = $this->unit->contexts->create(
            $subject, null, $rule->relatedTypes, (string) $this->rule->id, [], $rule->asksForTexts,
        );
        $asked = WhyNot::of($rule, $this->rule->power, $context, $known !== null, $this->unit->contexts->lastActivity($subject));

        return array_map(fn (array $one): array => [$one[0], Sentence::of($one[1])], $asked);
    }
}
