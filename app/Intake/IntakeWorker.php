<?php

declare(strict_types=1);

namespace App\Intake;

use App\Database\Trouble;
use App\Models\Delivery;
use App\Models\Import;
use App\Models\ImportState;
use App\Models\Replay;

/**
 * One round of what is taken in behind the scenes: watched addresses, files, deliveries taken again. All of it goes on where it was left.
 */
final readonly class IntakeWorker
{
    private const REPLAYED_AT_ONCE = 50;

    public function __construct(
        private Watches $watches,
        private Imports $imports,
        private Deliveries $deliveries,
        private TakeBack $takeBack,
        private Pruning $pruning,
    ) {
    }

    /** @return int how much was done; 0 means there is nothing to do now */
    public function round(): int
    {
        $done = $this->watches->poll() + $this->readOne() + $this->takeBack() + $this->pruning->piece();
        foreach (Import::query()->where('state', ImportState::Running)->orderBy('id')->limit(4)->pluck('id') as $id) {
            $done += $this->import((int) $id);
        }
        foreach (Replay::query()->where('state', 'running')->with('source')->orderBy('id')->limit(2)->get() as $replay) {
            $done += $this->replay($replay);
        }

        return $done;
    }

    private function readOne(): int
    {
        $import = $this->imports->unread();
        if ($import !== null) {
            $this->orFailed($import->id, fn () => $this->imports->readSent($import));
        }

        return $import === null ? 0 : 1;
    }

    private function takeBack(): int
    {
        $id = Import::query()->where('state', ImportState::TakingBack)->orderBy('id')->value('id');

        return $id === null ? 0 : ($this->orFailed((int) $id, fn (): int => $this->takeBack->piece((int) $id)) ?? 1);
    }

    private function import(int $id): int
    {
        $rows = $this->orFailed($id, fn (): int => $this->imports->chunk($id)) ?? 0;
        $import = Import::query()->with('source')->find($id);
        if ($import?->state === ImportState::Done) {
            $import->source_id === null ? @unlink($import->table()) : $this->watches->settle($import);
        }

        return max(1, $rows);
    }

    /**
     * What goes wrong with one file is kept with it, so that it does not hold up the others.
     *
     * @template T
     *
     * @param  \Closure(): T  $act
     * @return T|null
     */
    private function orFailed(int $id, \Closure $act): mixed
    {
        try {
            return $act();
        } catch (\Throwable $e) {
            if (Trouble::passes($e)) {
                throw $e;
            }
            report($e);
            Import::query()
                ->whereKey($id)
                ->update(['state' => ImportState::Failed, 'problem' => json_encode(Imports::damaged($e)->toArray())]);

            return null;
        }
    }

    private function replay(Replay $replay): int
    {
        $query = Delivery::query()
            ->where('source_id', $replay->source_id)
            ->where('unproven', false)
            ->whereBetween('id', [$replay->next_id, $replay->last_id])
            ->with('source');
        if ($replay->only !== null) {
            $query->where('state', $replay->only);
        }
        $deliveries = $query->orderBy('id')->limit(self::REPLAYED_AT_ONCE)->get();
        foreach ($deliveries as $delivery) {
            $this->deliveries->takeAgain($delivery);
            $replay->next_id = $delivery->id + 1;
            $replay->done++;
            $replay->refused += (int) ($delivery->state === \App\Models\DeliveryState::Refused);
        }
        $replay->state = count($deliveries) < self::REPLAYED_AT_ONCE ? 'done' : 'running';
        $replay->save();

        return max(1, count($deliveries));
    }
}
