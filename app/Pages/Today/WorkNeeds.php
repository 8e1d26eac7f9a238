<?php

declare(strict_types=1);

namespace App\Pages\Today;

use App\Clock\TimeFormatter;
use App\Models\Import;
use App\Models\ImportState;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\Outage;
use App\Models\OutboundTask;
use App\Models\OutboundTaskState;
use App\Models\PutAside;
use App\Models\Rehearsal;
use App\Models\RehearsalState;
use App\Models\Replay;
use App\Models\Sign;
use App\Models\Source;
use App\Models\SourceKind;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Record\ActivationState;

/** What is wrong with the works themselves: a carrier that does not answer, a worker that is gone, what could not be worked out. */
final class WorkNeeds
{
    /** What is due may be this late before anybody is told. */
    private const PATIENCE = '-5 minutes';

    private const MOST = 5;

    private const COMMANDS = [
        Sign::ENGINE => 'php artisan linnet:work',
        Sign::HAND_OVER => 'php artisan linnet:hand-over',
        Sign::INTAKE => 'php artisan linnet:ingest',
        Sign::OUTSIDE => 'php artisan queue:work',
        Sign::FORECAST => 'php artisan linnet:forecast',
        Sign::REHEARSALS => 'php artisan linnet:rehearsals',
    ];

    private const WORK = [
        Sign::ENGINE => 'Rules start nothing and no text is made',
        Sign::HAND_OVER => 'No text leaves',
        Sign::INTAKE => 'Files and watched addresses are not taken in',
        Sign::OUTSIDE => 'No mail, look-up or post goes out',
        Sign::FORECAST => 'What lies ahead is not worked out',
        Sign::REHEARSALS => 'Rehearsals that were asked for are not carried out',
    ];

    /** @return list<Need> */
    public static function all(\DateTimeImmutable $now, string $zone, Late $late, ?Outage $outage): array
    {
        return [...self::outage($now, $zone, $outage), ...self::workers($now, $zone, $late, $outage), ...self::putAside()];
    }

    /** @return list<Need> */
    private static function outage(\DateTimeImmutable $now, string $zone, ?Outage $outage): array
    {
        if ($outage === null) {
            return [];
        }
        $many = $outage->waiting();

        return [
            new Need(
                'bad',
                'The carrier has not answered since '.TimeFormatter::sinceWhen($outage->since, $now, $zone),
                ucfirst(TimeFormatter::count($many, 'text waits', 'texts wait')).
                    ' and will leave when it answers again, each as long as it still makes sense.',
                'See them',
                route('sent.index', ['state' => 'ready']),
            ),
        ];
    }

    /** @return list<Need> */
    private static function workers(\DateTimeImmutable $now, string $zone, Late $late, ?Outage $outage): array
    {
        $needs = [];
        $signs = Sign::query()->get()->keyBy('worker');
        foreach (
            [
                [Sign::ENGINE, $late], [Sign::HAND_OVER, self::handOver($now, $outage)], [Sign::INTAKE, self::intake($now)],
                [Sign::OUTSIDE, self::outside($now)], [Sign::FORECAST, self::forecast()],
                [Sign::REHEARSALS, self::rehearsals($now)],
            ] as [$worker, $late]
        ) {
            $sign = $signs[$worker] ?? null;
            $isGone = $sign === null || ! $sign->isThere();
            if (! $isGone && $sign->problem !== null) {
                $needs[] = new Need(
                    'bad', 'Linnet’s worker is in trouble',
                    "It goes on, but its last round failed. What went wrong, for whoever looks after the server: $sign->problem.",
                    'Look', route('sent.index'),
                );
            }
            if ($late->many === 0 || $late->since === null) {
                continue;
            }
            $what =
                ucfirst(TimeFormatter::count($late->many, 'thing is', 'things are')).
                ' late, the oldest since '.
                TimeFormatter::sinceWhen($late->since, $now, $zone).
                '.';
            $needs[] = $isGone
                ? new Need(
                    'bad',
                    'Linnet’s worker '.
                        ($sign === null
                            ? 'has never been seen'
                            : 'has not been seen for '.TimeFormatter::lasting($sign->at, now()->toDateTimeImmutable())),
                    self::WORK[$worker].". $what Start it again: ".self::COMMANDS[$worker],
                    ...self::whereTo($worker),
                )
                : new Need('held', 'Linnet is behind', $what.' It is catching up.', ...self::whereTo($worker));
        }

        return $needs;
    }

    /** @return array{string, string} where what waits can be seen */
    private static function whereTo(string $worker): array
    {
        return match ($worker) {
            Sign::ENGINE => ['See what waits', '#coming'],
            Sign::HAND_OVER => ['See them', route('sent.index', ['state' => 'ready'])],
            Sign::INTAKE => ['See sources', route('sources.index')],
            Sign::FORECAST => ['See Ahead', route('ahead')],
            Sign::REHEARSALS => ['See rules', route('rules.index')],
            default => ['See settings', route('settings.index')],
        };
    }

    /** Texts that passed the gate, and that no carrier was asked to take; what a carrier is busy for is its own trouble. */
    private static function handOver(\DateTimeImmutable $now, ?Outage $outage): Late
    {
        $ready = Message::query()
            ->where('state', MessageState::Ready)
            ->where('attempts', 0)
            ->where('left_at', '<=', $now->modify(self::PATIENCE))
            ->where(fn ($due) => $due->whereNull('retry_at')->orWhere('retry_at', '<=', $now->modify(self::PATIENCE)));
        $oldest = $ready->clone()->min('left_at');

        return $outage !== null
            ? new Late(0, null)
            : new Late($ready->count(), is_string($oldest) ? new \DateTimeImmutable($oldest, new \DateTimeZone('UTC')) : null);
    }

    private static function intake(\DateTimeImmutable $now): Late
    {
        $since = $now->modify(self::PATIENCE);
        $watched = Source::query()->where('kind', SourceKind::Watched)->where('power', ActivationState::On)->where('look_at', '<=', $since);
        $files = Import::query()->whereIn('state', [ImportState::Reading, ImportState::Running])->where('at', '<=', $since);
        $replays = Replay::query()->where('state', 'running');
        $oldest = array_filter([$watched->clone()->min('look_at'), $files->clone()->min('at')], is_string(...));
        $isThere = Sign::of(Sign::INTAKE)?->isThere() ?? false;

        // A long file is no lateness while somebody reads it.
        return new Late(
            $watched->count() + ($isThere ? 0 : $files->count() + $replays->count()),
            $oldest === [] ? ($isThere ? null : $now) : new \DateTimeImmutable(min($oldest), new \DateTimeZone('UTC')),
        );
    }

    private static function outside(\DateTimeImmutable $now): Late
    {
        $tasks = OutboundTask::query()->where('state', OutboundTaskState::Waiting)->where('due_at', '<=', now()->subMinutes(5));
        $oldest = $tasks->clone()->min('at');

        return config('queue.default') === 'sync'
            ? new Late(0, null)
            : new Late($tasks->count(), is_string($oldest) ? new \DateTimeImmutable($oldest, new \DateTimeZone('UTC')) : null);
    }

    private static function rehearsals(\DateTimeImmutable $now): Late
    {
        $waiting = Rehearsal::query()->where('state', RehearsalState::Waiting)->where('asked_at', '<=', $now->modify(self::PATIENCE));
        $oldest = $waiting->clone()->min('asked_at');

        return new Late($waiting->count(), is_string($oldest) ? new \DateTimeImmutable($oldest, new \DateTimeZone('UTC')) : null);
    }

    private static function forecast(): Late
    {
        $marks = DB::table('forecast_marks')->where('since', '<=', gmdate('Y-m-d H:i:s', time() + (int) strtotime(self::PATIENCE, 0)));
        $oldest = $marks->clone()->min('since');

        return new Late($marks->count(), is_string($oldest) ? new \DateTimeImmutable($oldest, new \DateTimeZone('UTC')) : null);
    }

    /** @return list<Need> */
    private static function putAside(): array
    {
        $many = PutAside::query()->count();

        return array_values(
            PutAside::query()
                ->orderByDesc('id')
                ->limit(self::MOST)
                ->get()
                ->map(
                    fn (PutAside $one, int $i): Need => new Need(
                        'bad',
                        ($person = $one->person()) === null
                            ? 'Something could not be worked out'
                            : match ($one->kind) {
                                PutAside::FORECAST => "What lies ahead of {$person->name()} could not be worked out",
                                PutAside::SCHEDULED_TEXT => "A text by hand to {$person->name()} could not leave",
                                default => "What happened about {$person->name()} could not be worked out",
                            },
                        "It was tried twice and put aside. What went wrong, for whoever looks after the server: $one->detail.".
                            ($i === 0 && $many > self::MOST ? " There are $many such things." : ''),
                        'Look',
                        $person === null ? route('today') : route('people.show', $person),
                        acts: [new Act('Try again', route('put-asides.again', $one)), new Act('Leave it', route('put-asides.leave', $one))],
                    ),
                )
                ->all(),
        );
    }
}
