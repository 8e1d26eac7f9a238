<?php

declare(strict_types=1);

namespace App\Rehearsals;

use App\Database\Trouble;
use App\Engine\Store\DatabaseRunStore;
use App\Models\Business;
use App\Models\Line;
use App\Models\Rehearsal;
use App\Models\RehearsalSide;
use App\Models\RehearsalState;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Carries out the rehearsals that were asked for, one after another. One that was cut off is begun anew by whoever comes next. */
final readonly class Rehearser
{
    private const LEASE_SECONDS = 60;

    private const TELLS_EVERY_SECONDS = 0.5;

    private string $holder;

    public function __construct(private PastDays $past)
    {
        $this->holder = (string) Str::uuid7();
    }

    /**
     * @param  \Closure(): bool  $ends  whether this worker is to end
     * @param  float  $every  in seconds, how often it is told how far it is
     * @return int how many were carried out; 0 means there is nothing to do now
     */
    public function round(\Closure $ends, float $every = self::TELLS_EVERY_SECONDS): int
    {
        $rehearsal = $this->claim();
        if ($rehearsal === null) {
            return 0;
        }
        try {
            $this->carryOut($rehearsal, $ends, $every);
        } catch (Interrupted) {
            // Somebody stopped it, or it waits for another worker.
            $this->ours($rehearsal)->update(['state' => RehearsalState::Waiting, 'leased_by' => null, 'leased_until' => null]);
        } catch (\Throwable $e) {
            Trouble::passes($e) && throw $e;
            report($e);
            $this->ours($rehearsal)->update(['state' => RehearsalState::Failed, 'problem' => Trouble::says($e, 250)]);
        }

        return 1;
    }

    private function claim(): ?Rehearsal
    {
        return DB::transaction(function (): ?Rehearsal {
            $rehearsal = Rehearsal::query()
                ->where('state', RehearsalState::Waiting)
                ->orWhere(fn ($left) => $left->where('state', RehearsalState::Running)->where('leased_until', '<', gmdate('Y-m-d H:i:s')))
                ->orderBy('id')
                ->lockForUpdate()
                ->first();
            $rehearsal?->update(['state' => RehearsalState::Running, 'work_began_at' => now(), 'done' => 0] + $this->lease());

            return $rehearsal;
        });
    }

    private function carryOut(Rehearsal $rehearsal, \Closure $ends, float $every): void
    {
        foreach (['rehearsed_texts', 'rehearsed_runs'] as $table) {
            DB::table($table)->where('rehearsal_id', $rehearsal->id)->delete();
        }
        $versions = $rehearsal->versions();
        $from = $rehearsal->begins_at->toDateTimeImmutable();
        $each = PastEvents::many($this->past->begins($from));
        $rehearsal->update(['of' => max(1, $each * count($versions))]);
        $zone = new \DateTimeZone(Business::ours()->zone);
        $lines = Line::query()->pluck('id', 'key')->all();
        $summary = [];
        $done = 0;
        $tick = $this->ticker($rehearsal, $done, $ends, $every);
        foreach ($versions as $side => $rule) {
            $replayed = $this->past->replay(
                $rehearsal->rule_id, $rule, array_values($versions), $this->past->begins($from), $from,
                $rehearsal->ends_at->toDateTimeImmutable(), $tick,
            );
            DB::transaction(function () use ($rehearsal, $side, $zone, $lines, $replayed): void {
                $this->ours($rehearsal)->exists() || throw new Interrupted;
                (new ReplayedWriter($rehearsal, RehearsalSide::from($side), $zone, $lines))->write($replayed);
            });
            $summary[$side] = (new RehearsalSummary($rehearsal, RehearsalSide::from($side), $zone))->of($replayed);
        }
        $this->ours($rehearsal)->update([
            'state' => RehearsalState::Done, 'summary' => json_encode($summary, JSON_THROW_ON_ERROR), 'leased_by' => null,
            'leased_until' => null, 'done' => $rehearsal->of,
        ]);
    }

    /**
     * Tells now and then how far it is, and ends where somebody stops it.
     *
     * @return \Closure(int): void is given how many changes were gone through since it was called last
     */
    private function ticker(Rehearsal $rehearsal, int &$done, \Closure $ends, float $every): \Closure
    {
        $told = microtime(true);

        return function (int $many) use ($rehearsal, &$done, &$told, $ends, $every): void {
            $done += $many;
            if (($many > 0 && $done % 20 !== 0) || microtime(true) - $told < $every) {
                return;
            }
            $told = microtime(true);
            if ($ends() || ! $this->ours($rehearsal)->exists()) {
                throw new Interrupted;
            }
            Rehearsal::query()->whereKey($rehearsal->id)->update(['done' => min($done, $rehearsal->of)] + $this->lease());
        };
    }

    /** @return Builder<Rehearsal> it, as long as nobody has stopped it or taken it over */
    private function ours(Rehearsal $rehearsal): Builder
    {
        return Rehearsal::query()
            ->whereKey($rehearsal->id)
            ->where('leased_by', $this->holder)
            ->where('state', RehearsalState::Running);
    }

    /** @return array{leased_by: string, leased_until: string} */
    private function lease(): array
    {
        return [
            'leased_by' => $this->holder,
            'leased_until' => DatabaseRunStore::at(new \DateTimeImmutable('+'.self::LEASE_SECONDS.' seconds')),
        ];
    }
}
