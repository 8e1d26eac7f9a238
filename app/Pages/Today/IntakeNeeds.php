<?php

declare(strict_types=1);

namespace App\Pages\Today;

use App\Clock\TimeFormatter;
use App\Models\Delivery;
use App\Models\DeliveryState;
use App\Models\Import;
use App\Models\ImportState;
use App\Models\Source;
use App\Sentences\Sentence;
use Linnet\Core\Record\ActivationState;

/** What came in and waits for somebody: deliveries and files that cannot be used yet, addresses that give nothing. */
final class IntakeNeeds
{
    /** @return list<Need> */
    public static function all(\DateTimeImmutable $now): array
    {
        return [...self::refused($now), ...self::unmapped(), ...self::unread(), ...self::files()];
    }

    /** @return list<Need> */
    private static function refused(\DateTimeImmutable $now): array
    {
        $counts = Delivery::query()->where('state', DeliveryState::Refused)->where('at', '>=', $now->modify('-1 day'))
            ->groupBy('source_id')->selectRaw('source_id, count(*) as refused, max(id) as newest')->toBase()->get();
        $newest = Delivery::query()->whereKey($counts->pluck('newest')->all())->with('source')->get()->keyBy('id');

        return array_values($counts->map(function (object $row) use ($newest): Need {
            $delivery = $newest[$row->newest];
            $many = $row->refused > 1;

            return new Need(
                'bad',
                "{$delivery->source->name} sent ".($many ? "$row->refused deliveries" : 'a delivery').' that could not be used',
                ($many ? 'The last: ' : '').($delivery->reason === null ? '' : Sentence::of($delivery->reason)).' Nothing is lost.',
                $many ? 'Show them' : 'Show it',
                route('sources.show', ['source' => $delivery->source, 'state' => DeliveryState::Refused->value]),
            );
        })->all());
    }

    /** @return list<Need> sources whose deliveries wait, since nobody has said what they mean */
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
                    fn (Source $source): Need => new Need(
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

    /** @return list<Need> watched addresses that give nothing useful */
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
                    fn (Source $source): Need => new Need(
                        'bad', "There is trouble with {$source->name}", $source->problem === null ? '' : Sentence::of($source->problem),
                        'Look', route('sources.show', $source),
                    ),
                )
                ->all(),
        );
    }

    /** @return list<Need> files that wait for somebody, or that failed */
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
                    fn (Import $import): Need => new Need(
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
