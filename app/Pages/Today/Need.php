<?php

declare(strict_types=1);

namespace App\Pages\Today;

use App\Clock\TimeFormatter;
use App\Models\Delivery;
use App\Models\DeliveryState;
use App\Models\Import;
use App\Models\ImportState;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use App\Models\Source;
use App\Models\Staff;
use App\Sentences\Sentence;
use Illuminate\Database\Eloquent\Builder;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Record\ActivationState;

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
        return [
            ...WorkNeeds::all($now, $zone),
            ...EngineNeeds::all($staff, $now, $zone),
            ...self::setAside(),
            ...self::cutOff(),
            ...self::unsent($now),
            ...self::refused($now),
            ...self::unmapped(),
            ...self::unread(),
            ...self::files(),
        ];
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

    /** @return list<self> texts of which nobody knows whether they have gone */
    private static function cutOff(): array
    {
        $texts = Message::query()->where('state', MessageState::CutOff)->with(['person.number', 'rule'])->orderBy('id')->limit(5)->get();

        return array_values($texts->map(fn (Message $text): self => new self(
            'bad',
            "Nobody knows whether a text to {$text->person->name()} has gone",
            ($text->reason === null ? '' : Sentence::of($text->reason)).' “'.mb_strimwidth($text->body, 0, 90, '…', 'UTF-8').'”',
            'Look',
            route('people.show', $text->person_id),
            acts: [
                new Act('Send it again', route('messages.ask-again', $text)), new Act('It has gone', route('messages.went', $text)),
            ],
        ))->all());
    }

    /**
     * What failed or could not go in the last day: one by one where they are few, else together by their reason.
     *
     * @return list<self>
     */
    private static function unsent(\DateTimeImmutable $now): array
    {
        $groups = Message::query()
            ->whereNotIn('state', [MessageState::SetAside, MessageState::CutOff])
            ->where('origin', '!=', MessageOrigin::Them)
            ->where(
                fn ($lately) => $lately
                    ->whereIn('id', self::troubledSince('at', $now))
                    ->orWhereIn('id', self::troubledSince('status_at', $now)),
            )
            ->groupBy('state', 'reason->code')
            ->selectRaw('state, count(*) as many, max(id) as newest')
            ->orderByRaw('max(id) desc')
            ->limit(8)
            ->toBase()
            ->get();
        $newest = Message::query()
            ->whereKey($groups->pluck('newest')->all())
            ->with(['person.number', 'rule'])
            ->get()
            ->keyBy('id');

        return array_values($groups->map(function (object $row) use ($newest): self {
            $text = $newest[$row->newest];
            $failed = $text->state === MessageState::Failed;
            $reason = $text->reason === null ? '' : Sentence::of($text->reason);

            return $row->many > 1
                ? new self(
                    'bad',
                    ucfirst(TimeFormatter::count((int) $row->many, 'text', 'texts')).($failed ? ' failed' : ' were not sent'),
                    "The last, to {$text->person->name()}: $reason", 'Show them',
                    route('sent.index', ['state' => $text->state->value]),
                )
                : new self(
                    'bad',
                    ($failed ? 'A text failed to reach ' : 'A text was not sent to ').
                        $text->person->name().
                        ($text->number === null || $text->person->name() === Numbers::pretty($text->number)
                            ? ''
                            : ' ('.Numbers::pretty($text->number).')'),
                    $reason,
                    'Look',
                    route('people.show', $text->person_id),
                    $failed ? $text : null,
                );
        })
            ->all(),
        );
    }

    /**
     * Of the few that are troubled, those of the last day: each by the index of its moment.
     *
     * @return Builder<Message>
     */
    private static function troubledSince(string $moment, \DateTimeImmutable $now): Builder
    {
        return Message::query()->troubled()->where($moment, '>=', $now->modify('-1 day'))->select('id');
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
        $counts = Delivery::query()
            ->where('state', DeliveryState::Kept)
            ->whereIn('source_id', Source::query()->whereNull('mapping')->select('id'))
            ->groupBy('source_id')
            ->selectRaw('source_id, count(*) as many')
            ->toBase()
            ->pluck('many', 'source_id');

        return array_values(
            Source::query()
                ->whereKey($counts->keys()->all())
                ->get()
                ->map(
                    fn (Source $source): self => new self(
                        'held',
                        "{$source->name} has sent ".
                            TimeFormatter::count((int) $counts[$source->id], 'delivery that waits', 'deliveries that wait'),
                        'Nobody has said yet what its values mean.',
                        'Say what they mean',
                        route('sources.mapping', $source),
                    ),
                )
                ->all(),
        );
    }

    /** @return list<self> watched addresses that give nothing useful */
    private static function unread(): array
    {
        return array_values(
            Source::query()
                ->whereNotNull('problem')
                ->where('power', ActivationState::On)
                ->orderBy('name')
                ->limit(5)
                ->get()
                ->map(
                    fn (Source $source): self => new self(
                        'bad', "There is trouble with {$source->name}", $source->problem === null ? '' : Sentence::of($source->problem),
                        'Look', route('sources.show', $source),
                    ),
                )
                ->all(),
        );
    }

    /** @return list<self> files that wait for somebody, or that failed */
    private static function files(): array
    {
        $imports = Import::query()
            ->whereNull('source_id')
            ->whereIn('state', [ImportState::ToMap, ImportState::Failed])
            ->orderByDesc('id')
            ->limit(3)
            ->get();

        return array_values(
            $imports
                ->map(
                    fn (Import $import): self => new self(
                        $import->state === ImportState::Failed ? 'bad' : 'held',
                        "The file {$import->name} ".
                            ($import->state === ImportState::Failed ? 'could not be taken in' : 'waits to be taken in'),
                        $import->problem === null ? 'Nothing is changed yet.' : Sentence::of($import->problem),
                        'Look',
                        route('imports.show', $import),
                    ),
                )
                ->all(),
        );
    }
}
