<?php

declare(strict_types=1);

namespace App\Engine;

use App\Engine\Store\DatabaseRunStore;
use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Models\ForecastMark;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Context\Subject;
use Linnet\Core\Engine\OwnText;
use Linnet\Core\Engine\Run;
use Linnet\Core\Reason;
use Psr\Clock\ClockInterface;

/** What somebody decides of one text of one person before it leaves: words of its own, another moment, now, or not at all. */
final readonly class OwnTexts
{
    public function __construct(private ClockInterface $clock, private DatabaseSideEffects $sideEffects)
    {
    }

    /**
     * @param  \Closure(OwnText): OwnText  $change  of what was decided so far
     * @return bool false where it has left, or its run is over
     */
    public function decide(WhichText $which, \Closure $change, Reason $noted): bool
    {
        $work = function (UnitOfWork $unit) use ($which, $change, $noted): bool {
            $run = self::run($unit, $which);
            $isDone = $run === null
                ? $which->runId === null && $this->decideBefore($which, $change)
                : $unit->conductor->decide($run, $which->name, $change);
            if ($isDone) {
                $subject = new Subject($which->personId, $which->recordId);
                $unit->runs->note($noted->with(['text' => $which->called]), (string) $which->ruleId, $run, $subject);
                ForecastMark::leave([$which->personId, $which->toPersonId]);
            }

            return $isDone;
        };

        return UnitOfWork::transaction($this->clock->now(), $this->sideEffects, $work, [$which->personId, $which->toPersonId]);
    }

    /** The run it belongs to, also where that has begun since it was looked at. */
    private static function run(UnitOfWork $unit, WhichText $which): ?Run
    {
        foreach ($unit->runs->liveOf($which->personId) as $run) {
            $isIt = $which->runId === null
                ? (int) $run->ruleId === $which->ruleId && $run->subject->recordId === $which->recordId
                : $run->id === $which->runId;
            if ($isIt) {
                return $run;
            }
        }
        $over = $which->runId === null ? null : $unit->runs->run($which->runId);

        // What goes to somebody else may wait when its run is over.
        return $over?->personId() === $which->personId ? $over : null;
    }

    /** @param  \Closure(OwnText): OwnText  $change */
    private function decideBefore(WhichText $which, \Closure $change): bool
    {
        $key = ['rule_id' => $which->ruleId, 'person_id' => $which->personId, 'record_id' => $which->recordId ?? 0, 'name' => $which->name];
        $row = fn (): Builder => DB::table('own_texts')->where($key);
        $stored = $row()->value('own');
        $own = $change(is_string($stored) ? OwnText::fromArray((array) json_decode($stored, true, 4, JSON_THROW_ON_ERROR)) : new OwnText);
        $own->isAsItWas()
            ? $row()->delete()
            : $row()->updateOrInsert($key, [
                'own' => json_encode($own->toArray(), JSON_THROW_ON_ERROR), 'at' => DatabaseRunStore::at($this->clock->now()),
            ]);

        return true;
    }
}
