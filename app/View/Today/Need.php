<?php

declare(strict_types=1);

namespace App\View\Today;

use App\Models\Delivery;
use App\Models\DeliveryState;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use App\Models\Trace;
use App\Sentences\Sentence;
use Linnet\Core\Number\Numbers;

/** One thing that waits for a decision, with the decision in its row. */
final readonly class Need
{
    private function __construct(
        public string $tone,
        public string $what,
        public string $why,
        public string $act,
        public string $href,
        public ?Message $message = null,
    ) {
    }

    /** @return list<self> the most pressing first */
    public static function all(\DateTimeImmutable $now): array
    {
        return [...self::setAside(), ...self::unsent($now), ...self::refused($now), ...self::putAside($now)];
    }

    /** @return list<self> */
    private static function setAside(): array
    {
        $texts = Message::query()->where('state', MessageState::SetAside)->with(['person.number', 'rule'])->orderBy('id')->limit(5)->get();

        return array_values($texts->map(fn (Message $text): self => new self(
            'held',
            "A text to {$text->person->name()} was set aside",
            ($text->reason === null ? '' : Sentence::of($text->reason)).' “'.$text->rule?->name.'” waits with it.',
            'Fill in',
            route('people.show', $text->person_id),
            $text,
        ))->all());
    }

    /** @return list<self> */
    private static function unsent(\DateTimeImmutable $now): array
    {
        $texts = Message::query()->whereIn('state', [MessageState::Failed, MessageState::Dropped])->where('origin', MessageOrigin::Rule)
            ->where('at', '>=', $now->modify('-1 day'))->with(['person.number', 'rule'])->orderByDesc('at')->limit(5)->get();

        return array_values($texts->map(fn (Message $text): self => new self(
            'bad',
            ($text->state === MessageState::Failed ? 'A text failed to reach ' : 'A text was not sent to ').$text->person->name()
                .($text->number === null || $text->person->name() === Numbers::pretty($text->number) ? '' : ' ('.Numbers::pretty($text->number).')'),
            $text->reason === null ? '' : Sentence::of($text->reason),
            'Look',
            route('people.show', $text->person_id),
        ))->all());
    }

    /** @return list<self> */
    private static function refused(\DateTimeImmutable $now): array
    {
        $counts = Delivery::query()->where('state', DeliveryState::Refused)->where('at', '>=', $now->modify('-1 day'))
            ->groupBy('source_id')->selectRaw('source_id, count(*) as refused, max(id) as newest')->toBase()->get();
        $newest = Delivery::query()->whereKey($counts->pluck('newest')->all())->with('source')->get()->keyBy('id');

        return array_values($counts->map(function (object $row) use ($newest): self {
            $delivery = $newest[$row->newest];
            $many = $row->refused > 1;

            return new self(
                'bad',
                "{$delivery->source->name} sent ".($many ? "$row->refused deliveries" : 'a delivery').' that could not be used',
                ($many ? 'The last: ' : '').($delivery->reason === null ? '' : Sentence::of($delivery->reason)).' Nothing is lost.',
                $many ? 'Show them' : 'Show it',
                route('sources.show', ['source' => $delivery->source_id, 'state' => DeliveryState::Refused->value]),
            );
        })->all());
    }

    /** @return list<self> */
    private static function putAside(\DateTimeImmutable $now): array
    {
        $broken = Trace::query()->where('code', 'engine.put_aside')->where('at', '>=', $now->modify('-1 day'))->orderByDesc('id')->limit(3)->get();

        return array_values($broken->map(fn (Trace $trace): self => new self(
            'bad', 'Something could not be worked out', Sentence::of(['code' => $trace->code, 'with' => $trace->with]), 'See what left', route('sent.index'),
        ))->all());
    }
}
