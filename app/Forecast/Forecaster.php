<?php

declare(strict_types=1);

namespace App\Forecast;

use App\Clock\Day;
use App\Database\Trouble;
use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Models\Business;
use App\Models\ForecastMark;
use App\Models\PutAside;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Forecast\Forecast;
use Psr\Clock\ClockInterface;

/**
 * Keeps what lies ahead, person by person: of those about whom something became otherwise, and of everybody where that holds for all, or a
 * day has begun.
 */
final readonly class Forecaster
{
    /** How far it looks. The page shows fourteen days, the last of which may only have begun. */
    private const LOOKS_AHEAD = '+15 days';

    private const AT_ONCE = 400;

    public function __construct(
        private ClockInterface $clock,
        private DatabaseSideEffects $sideEffects,
        private Lease $lease,
        private ComingTextWriter $writer,
    ) {
    }

    /**
     * @param  bool  $asksWhatHolds  asks too whether what holds for everybody has become otherwise
     * @return int for how many people it was worked out; 0 means there is nothing to do now
     */
    public function round(bool $asksWhatHolds = true): int
    {
        $business = Business::ours();
        $isOtherwise = $asksWhatHolds && $this->isOtherwise($business);
        if ((! $isOtherwise && ! self::isOpen()) || ! $this->lease->take()) {
            return 0;
        }
        if ($isOtherwise) {
            $this->beginAnew($business);
        }
        $marks = ForecastMark::next(self::AT_ONCE);
        $state = self::state();
        if ($marks !== [] || $state->cursor === null) {
            $this->forecast($business, array_keys($marks), fn () => ForecastMark::clear($marks));

            return count($marks);
        }
        $people = self::following((int) $state->cursor);
        $next = count($people) < self::AT_ONCE ? null : $people[self::AT_ONCE - 1];
        $this->forecast($business, $people, fn (): int => DB::table('forecast_states')
            ->where('stamp', $state->stamp)
            ->update(['cursor' => $next] + ($next === null ? ['cursor_since' => null] : [])));

        return max(1, count($people));
    }

    /** What lies ahead of one person, at once; whoever works it out for all does so again. */
    public function look(int $person): void
    {
        $rows = $this->workOut(Business::ours(), [$person]);
        DB::transaction(function () use ($person, $rows): void {
            DB::table('forecast_states')->lockForUpdate()->value('id');
            $this->writer->replace([$person], $rows);
        });
    }

    public function rest(): void
    {
        $this->lease->giveUp();
    }

    /** Whether anybody waits for it; asked without writing anything. */
    private static function isOpen(): bool
    {
        return DB::table('forecast_marks')->exists() || self::state()->cursor !== null;
    }

    /**
     * Together, or one by one where that fails; what lies ahead of somebody that cannot be worked out is put aside and said.
     *
     * @param  list<int>  $people
     * @param  \Closure(): mixed  $done  notes in the same transaction that it is done
     */
    private function forecast(Business $business, array $people, \Closure $done): void
    {
        try {
            $this->replace($people, $this->workOut($business, $people), $done);

            return;
        } catch (\Throwable $e) {
            Trouble::passes($e) && throw $e;
        }
        $rows = $failed = [];
        foreach ($people as $id) {
            try {
                array_push($rows, ...$this->workOut($business, [$id]));
            } catch (\Throwable $e) {
                Trouble::passes($e) && throw $e;
                report($e);
                $failed[$id] = Trouble::says($e, 500);
            }
        }
        $this->replace($people, $rows, function () use ($done, $failed): void {
            foreach ($failed as $id => $message) {
                PutAside::record(PutAside::FORECAST, $id, $message, $this->clock->now());
            }
            $done();
        });
    }

    /**
     * @param  list<int>  $people
     * @return list<array<string, mixed>>
     */
    private function workOut(Business $business, array $people): array
    {
        $now = $this->clock->now();
        $unit = UnitOfWork::reading($now, $this->sideEffects, $business);

        $until = $now->modify(self::LOOKS_AHEAD);
        $coming = Forecast::of((new SheetReader($unit))->of($people), $until);

        return [...$this->writer->rows($coming, $unit), ...$this->writer->byHand($people, $unit, $until)];
    }

    /**
     * @param  list<int>  $people
     * @param  list<array<string, mixed>>  $rows
     */
    private function replace(array $people, array $rows, \Closure $done): void
    {
        DB::transaction(function () use ($people, $rows, $done): void {
            if ($this->lease->isHeld()) {
                $this->writer->replace($people, $rows);
                PutAside::query()->where('kind', PutAside::FORECAST)->whereIn('subject_id', $people)->delete();
                $done();
            }
        });
    }

    private function isOtherwise(Business $business): bool
    {
        $state = self::state();

        return $state->stamp !== ConfigurationStamp::of($business, $this->today($business)) || $state->day !== $this->today($business);
    }

    private function beginAnew(Business $business): void
    {
        $today = $this->today($business);
        DB::table('forecast_states')->update([
            'stamp' => ConfigurationStamp::of($business, $today), 'day' => $today, 'cursor' => 0, 'cursor_since' => gmdate('Y-m-d H:i:s'),
        ]);
    }

    private function today(Business $business): string
    {
        return Day::of($this->clock->now(), $business->zone)->date;
    }

    private static function state(): \stdClass
    {
        return DB::table('forecast_states')->first() ?? throw new \LogicException('it was made when the tables were');
    }

    /** @return list<int> */
    private static function following(int $cursor): array
    {
        return array_values(array_map(
            intval(...),
            DB::table('people')->where('id', '>', $cursor)->orderBy('id')->limit(self::AT_ONCE)->pluck('id')->all(),
        ));
    }
}
