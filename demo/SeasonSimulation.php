<?php

declare(strict_types=1);

namespace Demo;

use App\Carrier\Carriers;
use App\Engine\DirectTexts;
use App\Engine\Outbox;
use App\Engine\Runner;
use App\Engine\Worker;
use App\Inbound\InboundTexts;
use App\Inbound\OptOutReview;
use App\Inbound\Receipts;
use App\Intake\ChangeOrigin;
use App\Intake\RecordWriter;
use App\Models\Business;
use App\Models\Conversation;
use App\Models\Number;
use App\Models\RecordType;
use App\Models\Rule;
use App\Models\Source;
use App\Models\Staff;
use Demo\Season\Answers;
use Demo\Season\Event;
use Demo\Season\Season;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Intake\Cleaned;
use Linnet\Core\Intake\FieldNormalizer;
use Linnet\Core\Intake\PersonInput;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Intake\Targets;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Record\Field;
use Linnet\Core\Record\Place;
use Psr\Clock\ClockInterface;

/**
 * Lives through a season with the engine itself: records come through the door, the worker does what is due, texts leave and arrive,
 * people write back and the front desk answers. Only the carrier is here instead of at the end of a wire.
 *
 * @phpstan-type OnHandset array{ref: string, key: string|null, from: string, to: string, text: string, fate: string, at: string}
 */
final class SeasonSimulation
{
    /** The rules that were at work; the others of the boathouse are there to be looked at. */
    private const ON = [
        'booking-confirmed', 'booking-moved', 'lesson-reminder', 'after-the-lesson', 'did-not-come', 'basket-left', 'invoice-due',
        'job-ready', 'order-sent', 'offer-unanswered', 'word-kayak', 'word-level', 'service-due', 'birthday',
    ];

    private const SOURCES = ['call' => 'phone', 'basket' => 'shop', 'order' => 'shop-orders', 'booking' => 'bookings'];

    private const AT_ONCE = 500;

    private InstantCarrier $carrier;

    private Place $place;

    /** @var array<string, array<string, Field>> by type, then by where a value goes */
    private array $targets = [];

    /** @var array<string, ChangeOrigin> by type */
    private array $origins = [];

    private Later $later;

    /** @var list<OnHandset> */
    private array $ledger = [];

    /**
     * @param  \Closure(list<OnHandset>): void  $tell  is told what was on the handsets
     * @param  bool  $answers  people write back
     */
    public function __construct(
        private readonly HandClock $clock,
        private readonly Season $season,
        private readonly \Closure $tell,
        private bool $answers = true,
    ) {
        $this->carrier = new InstantCarrier;
        $this->later = new Later;
    }

    /**
     * @param  list<array{first_name?: string, last_name?: string, number: string}>  $people
     * @param  \Closure(\DateTimeImmutable): void  $progress
     */
    public function live(array $people, \Closure $progress): void
    {
        $this->enter();
        $business = Business::ours();
        $this->place = new Place($business->country, $business->zone);
        resolve(SampleTownPeople::class)->add($people);
        $this->learn();
        SampleTown::all(count($people));
        $this->switchOn();
        // A large town is lived through in larger bites.
        $bite = count($people) > 2000 ? 600 : 60;
        $day = '';
        $events = $this->season->events();
        $utc = new \DateTimeZone('UTC');
        for ($until = $this->season->ends(); ($next = $this->next($events, $until)) !== null;) {
            $next = (new \DateTimeImmutable('@'.(int) (ceil($next / $bite) * $bite)))->setTimezone($utc);
            $this->clock->moveTo($next);
            $this->ingest($events, $next);
            $this->later->actUntil($next->getTimestamp());
            $this->settle();
            if ($day !== $next->format('Y-m-d')) {
                $day = $next->format('Y-m-d');
                $this->tidy($next);
                $progress($next);
            }
        }
        $this->leave();
    }

    /** Goes on behind the season: what is due is done at its moment, and nobody does or answers anything. */
    public function liveQuietly(\DateTimeImmutable $until): void
    {
        $this->answers = false;
        $this->later = new Later;
        $this->enter();
        for ($nothing = (fn (): \Generator => yield from [])(); ($next = $this->next($nothing, $until)) !== null;) {
            $this->clock->moveTo((new \DateTimeImmutable("@$next"))->setTimezone(new \DateTimeZone('UTC')));
            $this->settle();
        }
        $this->clock->moveTo($until);
        $this->leave();
    }

    private function enter(): void
    {
        app()->instance(Carriers::class, Carriers::just($this->carrier));
        app()->instance(ClockInterface::class, $this->clock);
    }

    private function leave(): void
    {
        $this->flush();
        app()->forgetInstance(Carriers::class);
        app()->forgetInstance(ClockInterface::class);
    }

    /** Where what comes of each type is from, and where its values go. */
    private function learn(): void
    {
        foreach (RecordType::query()->with('fields')->get() as $type) {
            $this->targets[$type->key] = Targets::of($type->read(), RecordType::people()->read());
            $source = Source::query()->firstWhere('key', self::SOURCES[$type->key] ?? '');
            $this->origins[$type->key] =
                $source === null
                    ? ChangeOrigin::staff(Staff::query()->where('email', 'tom@osierquay.example')->firstOrFail())
                    : ChangeOrigin::delivery($source, null);
        }
    }

    private function switchOn(): void
    {
        $runner = resolve(Runner::class);
        foreach (Rule::query()->with('version')->whereIn('key', self::ON)->orderBy('id')->get() as $rule) {
            $runner->switchOn($rule);
        }
    }

    /** @param  \Generator<int, Event>  $events */
    private function next(\Generator $events, \DateTimeImmutable $until): ?int
    {
        $due = DB::table('timers')->whereNotNull('due_at')->min('due_at');
        $moments = [
            ...($events->valid() ? [$events->current()->at->getTimestamp()] : []),
            ...($due === null ? [] : [(new \DateTimeImmutable((string) $due, new \DateTimeZone('UTC')))->getTimestamp()]),
            ...($this->later->due() === null ? [] : [$this->later->due()]),
        ];
        $next = $moments === [] ? null : min($moments);

        return $next === null || $next >= $until->getTimestamp() ? null : $next;
    }

    /** @param  \Generator<int, Event>  $events */
    private function ingest(\Generator $events, \DateTimeImmutable $until): void
    {
        $byType = [];
        for (; $events->valid() && $events->current()->at <= $until; $events->next()) {
            $event = $events->current();
            if (
                $event->type === 'booking' &&
                isset($event->fields['state']) &&
                count($event->fields) === 1 &&
                $this->isCancelled($event->id)
            ) {
                continue;
            }
            $fields = [];
            foreach ($event->fields as $name => $value) {
                $fields[$name] = FieldNormalizer::into($this->targets[$event->type]["fields.$name"], $value, $this->place, $name);
            }
            $byType[$event->type][] = new Cleaned(
                $event->type, $event->id, new PersonInput(number: Numbers::read($event->number, 'GB')), $fields,
            );
        }
        foreach ($byType as $type => $all) {
            DB::transaction(function () use ($all, $type): void {
                foreach (resolve(RecordWriter::class)->upsertMany($all, $this->origins[$type]) as $written) {
                    if ($written instanceof Refused) {
                        throw $written;
                    }
                }
            });
        }
    }

    /** Who cancelled by text neither comes nor fails to come. */
    private function isCancelled(string $booking): bool
    {
        $values = DB::table('records')->where('external_id', $booking)->value('values');

        return is_string($values) && str_contains($values, '"cancelled"');
    }

    /** What the staff do of a morning: they decide what is in doubt, and get through their tasks. */
    private function tidy(\DateTimeImmutable $now): void
    {
        $ago = fn (int $days): string => $now->modify("-$days days")->format('Y-m-d H:i:s');
        $mira = Staff::query()->where('email', 'mira@osierquay.example')->firstOrFail();
        foreach (
            Number::query()
                ->whereIn('ambiguous_opt_out_message_id', DB::table('messages')->where('at', '<', $ago(1))->select('id'))
                ->get() as $number
        ) {
            resolve(OptOutReview::class)->decide($number, true, $mira);
        }
        DB::table('tasks')->whereNull('done_at')->where('at', '<', $ago(6))->update(['done_at' => $now->format('Y-m-d H:i:s')]);
        DB::table('notices')->whereNull('put_away_at')->where('at', '<', $ago(2))->update(['put_away_at' => $now->format('Y-m-d H:i:s')]);
    }

    /** The engine, and what becomes of what left, until nothing is left to do at this moment. */
    private function settle(): void
    {
        [$worker, $outbox] = [resolve(Worker::class), resolve(Outbox::class)];
        do {
            for (; $worker->round() + $outbox->deliver() > 0;);
        } while ($this->statuses() > 0);
    }

    /** @return int how many there were */
    private function statuses(): int
    {
        $now = $this->clock->now();
        $receipts = resolve(Receipts::class);
        $taken = $this->carrier->took();
        foreach ($taken as $text) {
            $receipts->receive(
                $text['key'], $text['ref'], $text['arrives'] ? 'arrived' : 'failed', $text['arrives'] ? null : 'nobody has this number',
                $now, $text['arrives'] ? '' : 'no_such_number',
            );
            $this->remember(
                $text['ref'], $text['key'], $text['from'], $text['to'], $text['text'], $text['arrives'] ? 'arrived' : 'failed', $now,
            );
            $answer =
                $this->answers
                    && $text['arrives']
                    && ! str_starts_with($text['name'], 'words/')
                    && ! str_starts_with($text['name'], 'staff/')
                    ? Answers::to($text['text'], $text['to'])
                    : null;
            if ($answer !== null) {
                $this->later->at(
                    $now->getTimestamp() + $answer[0] * 60,
                    fn () => $this->writeBack($text['to'], $text['from'], $answer[1], $text['name']),
                );
            }
        }

        return count($taken);
    }

    private function writeBack(string $from, string $to, string $words, string $about): void
    {
        $ref = 'H'.strtoupper(substr(hash('xxh128', "$about/$words"), 0, 10));
        resolve(InboundTexts::class)->receive($ref, $from, $to, $words);
        $this->remember($ref, null, $from, $to, $words, 'arrived', $this->clock->now());
        $conversation = Conversation::query()
            ->whereHas('line', fn ($line) => $line->where('number', $to))
            ->whereHas('person.numbers', fn ($number) => $number->where('e164', $from))
            ->first();
        if ($conversation?->waiting_since !== null) {
            [$minutes, $answer] = Answers::fromTheDesk($words, $conversation->id);
            $this->later->at($this->atTheDesk($minutes), fn () => $this->answer($conversation->id, $to, $answer));
        }
    }

    private function answer(int $conversationId, string $line, string $words): void
    {
        $conversation = Conversation::query()->with('line')->findOrFail($conversationId);
        if ($conversation->waiting_since !== null) {
            $who = $line === '+447700900101' ? 'tom' : 'nia';
            resolve(DirectTexts::class)->fromStaff(
                $conversation->person_id,
                $conversation->line,
                null,
                Staff::query()
                    ->where('email', "$who@osierquay.example")
                    ->firstOrFail(),
                $words,
            );
        }
    }

    /** Some minutes from now, or when the front desk is staffed again. */
    private function atTheDesk(int $minutes): int
    {
        $local = $this->clock->now()->modify("+$minutes minutes")->setTimezone(new \DateTimeZone($this->place->zone));
        $hour = (int) $local->format('G');
        $local =
            $hour >= 18 ? $local->modify('tomorrow')->setTime(9, $minutes % 60) : ($hour < 9 ? $local->setTime(9, $minutes % 60) : $local);

        return $local->getTimestamp();
    }

    private function remember(string $ref, ?string $key, string $from, string $to, string $text, string $fate, \DateTimeImmutable $at): void
    {
        $this->ledger[] = [
            'ref' => $ref, 'key' => $key, 'from' => $from, 'to' => $to, 'text' => $text, 'fate' => $fate,
            'at' => $at->format('Y-m-d H:i:s'),
        ];
        count($this->ledger) < self::AT_ONCE || $this->flush();
    }

    private function flush(): void
    {
        $this->ledger === [] || ($this->tell)($this->ledger);
        $this->ledger = [];
    }
}
