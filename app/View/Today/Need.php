<?php

declare(strict_types=1);

namespace App\View\Today;

use App\Clock\Said;
use App\Models\Delivery;
use App\Models\DeliveryState;
use App\Models\Import;
use App\Models\ImportState;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use App\Models\Source;
use App\Models\Staff;
use App\Models\Trace;
use App\Sentences\Sentence;
use Linnet\Core\Gate\Power;
use Linnet\Core\Number\Numbers;

/** One thing that waits for a decision, with the decision in its row. */
final readonly class Need
{
    /** @param  list<Act>  $acts decisions made in the row */
    public function __construct(
        public string $tone,
        public string $what,
        public string $why,
        public string $act,
        public string $href,
        public ?Message $message = null,
        public array $acts = [],
    ) {
    }

    /** @return list<self> the most pressing first */
    public static function all(\DateTimeImmutable $now, ?Staff $staff, string $zone): array
    {
        return [...EngineNeeds::all($staff, $now, $zone), ...self::setAside(), ...self::unsent($now), ...self::refused($now), ...self::unmapped(), ...self::unread(), ...self::files(), ...self::putAside($now)];
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
                route('sources.show', ['source' => $delivery->source, 'state' => DeliveryState::Refused->value]),
            );
        })->all());
    }

    /** @return list<self> sources whose deliveries wait, since nobody has said what they mean */
    private static function unmapped(): array
    {
        $counts = Delivery::query()->where('state', DeliveryState::Kept)->whereIn('source_id', Source::query()->whereNull('mapping')->select('id'))
            ->groupBy('source_id')->selectRaw('source_id, count(*) as many')->toBase()->pluck('many', 'source_id');

        return array_values(Source::query()->whereKey($counts->keys()->all())->get()->map(fn (Source $source): self => new self(
            'held', "{$source->name} has sent ".Said::count((int) $counts[$source->id], 'delivery that waits', 'deliveries that wait'), 'Nobody has said yet what its values mean.', 'Say what they mean', route('sources.mapping', $source),
        ))->all());
    }

    /** @return list<self> watched addresses that give nothing useful */
    private static function unread(): array
    {
        return array_values(Source::query()->whereNotNull('problem')->where('power', Power::On)->orderBy('name')->limit(5)->get()->map(fn (Source $source): self => new self(
            'bad', "{$source->name} cannot be read", $source->problem === null ? '' : Sentence::of($source->problem), 'Look', route('sources.show', $source),
        ))->all());
    }

    /** @return list<self> files that wait for somebody, or that failed */
    private static function files(): array
    {
        $imports = Import::query()->whereNull('source_id')->whereIn('state', [ImportState::ToMap, ImportState::Failed])->orderByDesc('id')->limit(3)->get();

        return array_values($imports->map(fn (Import $import): self => new self(
            $import->state === ImportState::Failed ? 'bad' : 'held', "The file {$import->name} ".($import->state === ImportState::Failed ? 'could not be taken in' : 'waits to be taken in'),
            $import->problem === null ? 'Nothing is changed yet.' : Sentence::of($import->problem), 'Look', route('imports.show', $import),
        ))->all());
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
