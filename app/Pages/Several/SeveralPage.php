<?php

declare(strict_types=1);

namespace App\Pages\Several;

use App\Audiences\AudienceSentence;
use App\Clock\TimeFormatter;
use App\Models\Business;
use App\Models\Line;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\RecordType;
use App\Models\SeveralPerson;
use App\Models\TextToSeveral;
use App\Sentences\Sentence;
use App\Sentences\ShortReason;
use App\Several\Letter;
use App\Several\WhoGetsIt;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Prose\Language;
use Linnet\Core\Record\RecordType as CoreType;

/** A text to several: what is written, who gets it and who does not, and how far it has come. */
final class SeveralPage
{
    public readonly ?Letter $letter;

    /** @var Collection<array-key, \stdClass>|null */
    private ?Collection $outcomes = null;

    public function __construct(
        public readonly TextToSeveral $several,
        public readonly Business $business,
        public readonly \DateTimeImmutable $now,
    ) {
        $this->letter = WhoGetsIt::letter($several);
    }

    /** To whom, as the sentence goes on after "to". */
    public function to(Language $language): string
    {
        if ($this->letter === null) {
            return '';
        }
        if (! $this->several->ticked) {
            return AudienceSentence::write($language, $this->letter->to);
        }
        $many = $this->several->people()->count();
        $type = $this->type();

        return $type === null
            ? ($many === 1 ? 'the one who was ticked' : "the $many who were ticked")
            : 'the '.($type->person_noun ?? 'person').' of the '.($many === 1 ? '' : "$many ").'ticked '.
                mb_strtolower($many === 1 ? $type->name : $type->plural);
    }

    public function line(): string
    {
        $key = $this->letter?->line;

        return $key === null ? 'the line last used with each' : 'the '.(Line::query()->where('key', $key)->value('name') ?? $key);
    }

    /** "now", "tomorrow at 09:00 where they are". */
    public function when(): string
    {
        $at = $this->letter?->at;
        if ($at === null) {
            return 'now';
        }
        $day = new \DateTimeImmutable(substr($at, 0, 10), new \DateTimeZone($this->business->zone));
        $today = $this->now->setTimezone(new \DateTimeZone($this->business->zone))->setTime(0, 0);

        return match ($day->format('Y-m-d')) {
            $today->format('Y-m-d') => 'today',
            $today->modify('+1 day')->format('Y-m-d') => 'tomorrow',
            default => 'on '.$day->format('D j F'),
        }.' at '.substr($at, 11).($this->letter?->theirs === true ? ' where they are' : '');
    }

    public function type(): ?RecordType
    {
        $of = $this->letter->to->of ?? CoreType::PERSON;

        return $of === CoreType::PERSON ? null : RecordType::query()->where('key', $of)->first();
    }

    /** How many people, or records, there are to go through. */
    public function many(): int
    {
        return (int) $this->outcomes()->sum('many');
    }

    public function getIt(): int
    {
        return (int) ($this->outcomes()[SeveralPerson::GETS]->many ?? 0) + $this->wait();
    }

    /** How many of those who get it do so later than is looked ahead. */
    public function wait(): int
    {
        return (int) ($this->outcomes()[SeveralPerson::WAITS]->many ?? 0);
    }

    /** What the first of those waits for. */
    public function waitsFor(): string
    {
        $reason = $this->several->people()->where('outcome', SeveralPerson::WAITS)->orderBy('id')->first()?->reason;

        return $reason === null ? 'They wait for their turn.' : Sentence::of($reason);
    }

    /** @return list<array{outcome: string, many: int, says: string, who: string|null}> why those do not who do not */
    public function without(): array
    {
        $why = $this->outcomes()->except([SeveralPerson::GETS, SeveralPerson::WAITS, ''])->sortByDesc('many');

        return array_values($why->map(fn (\stdClass $one): array => [
            'outcome' => (string) $one->outcome, 'many' => (int) $one->many,
            'says' => $this->says((string) $one->outcome, (int) $one->many),
            'who' => (int) $one->many === 1
                ? $this->several->people()->where('outcome', $one->outcome)->with('person.number')->first()?->person->name()
                : null,
        ])->all());
    }

    /** "33 in London, 4 in Toronto". */
    public function places(): string
    {
        $zones = $this->several->people()->toBase()->where('outcome', SeveralPerson::GETS)->groupBy('zone')
            ->selectRaw('zone, count(*) as many')->orderByRaw('count(*) desc')->orderBy('zone')->get();
        $said = $zones->take(3)
            ->map(fn (\stdClass $one): string => number_format((int) $one->many).' in '.TimeFormatter::place((string) $one->zone));
        $rest = (int) $zones->skip(3)->sum('many');

        return $said->implode(', ').($rest === 0 ? '' : ', '.number_format($rest).' elsewhere');
    }

    /** @return object{first: \DateTimeImmutable, last: \DateTimeImmutable, parts: int, longest: int, price: string}|null */
    public function figures(): ?object
    {
        $row = $this->several->people()->toBase()->where('outcome', SeveralPerson::GETS)
            ->selectRaw('min(leaves_at) as first, max(leaves_at) as last')
            ->selectRaw('sum(parts) as parts, max(parts) as longest, sum(price_micros) as price')
            ->first();

        return $row?->first === null ? null : (object) [
            'first' => new \DateTimeImmutable((string) $row->first, new \DateTimeZone('UTC')),
            'last' => new \DateTimeImmutable((string) $row->last, new \DateTimeZone('UTC')),
            'parts' => (int) $row->parts, 'longest' => (int) $row->longest,
            'price' => TimeFormatter::price((int) $row->price, $this->business->currency()),
        ];
    }

    /** How it reads for one of those who get it. */
    public function example(): ?SeveralPerson
    {
        return once(fn (): ?SeveralPerson => $this->several->isWorkedOut()
            ? $this->several->people()->whereIn('outcome', [SeveralPerson::GETS, SeveralPerson::WAITS])->with('person.number')
                // One that leaves soon, if any does.
                ->orderBy('outcome')->orderBy('id')->first()
            : null);
    }

    public function departures(): Departures
    {
        return Departures::of($this->several, $this->business->zone);
    }

    /** @return Collection<array-key, \stdClass> outcome and many, by outcome */
    private function outcomes(): Collection
    {
        return $this->outcomes ??= $this->several->people()->toBase()->groupBy('outcome')->selectRaw('outcome, count(*) as many')->get()
            ->keyBy(fn (\stdClass $one): string => (string) $one->outcome);
    }

    private function says(string $outcome, int $many): string
    {
        $type = $this->type();

        return match ($outcome) {
            'start.before' => $type === null
                ? 'get it already: each person once'
                : ($many === 1 ? 'is a' : 'are').' further '.mb_strtolower($many === 1 ? $type->name : $type->plural).
                    ' of somebody who gets one text, for the one that came in first',
            'gate.number_landline' => $many === 1 ? 'has a landline only' : 'have a landline only',
            'gate.no_number' => $many === 1 ? 'has no number' : 'have no number',
            'gate.number_dead' => $many === 1 ? 'has a number that is not in use' : 'have numbers that are not in use',
            'gate.opted_out', 'start.opted_out' => 'said stop',
            'gate.capped' => $many === 1 ? 'has had too many texts' : 'have had too many texts',
            'template.missing' => $many === 1 ? 'lacks a value that the text names' : 'lack a value that the text names',
            default => ShortReason::of($outcome),
        };
    }

    /** @return array<string, int> texts that were let go, by what became of them: waiting, left, arrived, failed, dropped */
    public function progress(): array
    {
        $by = Message::query()->toBase()->where('rule_id', $this->several->rule_id)->groupBy('state')
            ->selectRaw('state, count(*) as many')->pluck('many', 'state');
        $of = fn (MessageState ...$states): int => (int) array_sum(
            array_map(fn (MessageState $one): int => (int) ($by[$one->value] ?? 0), $states),
        );
        $begun = DB::table('runs')->where('rule_id', $this->several->rule_id)->where('live', true)->count();
        $waiting = $of(MessageState::Waiting, MessageState::SetAside);

        return [
            'waiting' => max($waiting, $begun), 'leaving' => $of(MessageState::Ready, MessageState::CutOff),
            'left' => $of(MessageState::Handed, MessageState::Arrived),
            'arrived' => $of(MessageState::Arrived), 'failed' => $of(MessageState::Failed), 'dropped' => $of(MessageState::Dropped),
        ];
    }

    /** Whether there is anything left to happen by itself. */
    public function isUnderWay(): bool
    {
        $rule = $this->several->rule;
        $progress = $this->progress();

        return ! $this->several->isWritten() && ! $this->several->isStopped()
            && ($rule->broadcast_at !== null || $progress['waiting'] + $progress['leaving'] > 0 || $this->isToCome());
    }

    public function isToCome(): bool
    {
        $begins = $this->letter?->begins($this->several->let_go_at ?? $this->now, $this->business->zone);

        return ! $this->several->ticked && $begins !== null && $begins > $this->now && ! $this->several->rule->runs()->exists();
    }
}
