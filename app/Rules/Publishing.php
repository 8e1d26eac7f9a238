<?php

declare(strict_types=1);

namespace App\Rules;

use App\Models\Business;
use App\Models\Message;
use App\Models\Rule;
use App\Models\RuleVersion;
use App\Models\Run;
use App\Models\Staff;
use App\Models\Timer;
use App\Models\Trace;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Document\Doc;
use Linnet\Core\Reason;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Rule\Further;
use Linnet\Core\Rule\Rule as Core;

/** Makes a rule's words the ones that count, for what begins from now on, and for those under way if so chosen. */
final class Publishing
{
    /**
     * @param  bool  $move  those under way go on by the new words; who stands at a step that is gone is left for decision
     * @param  list<int>  $further  runs that came to the end by the old words, and go on at the step that is new behind it
     */
    public static function publish(
        Rule $rule,
        Core $read,
        ?Staff $staff,
        bool $move,
        \DateTimeImmutable $now,
        array $further = [],
    ): RuleVersion {
        $read = self::withFreeKey($rule, $read);
        if ($rule->power === ActivationState::On) {
            KeywordOwners::check($rule, $read);
        }
        $version = DB::transaction(function () use ($rule, $read, $staff, $now, $further): RuleVersion {
            $step = $rule->version === null ? null : Further::step($rule->version->read(), $read);
            $version = RuleVersion::query()->create([
                'rule_id' => $rule->id, 'number' => 1 + (int) $rule->versions()->max('number'), 'document' => $read->toDocument(),
                'staff_id' => $staff?->id, 'at' => $now,
            ]);
            // What was waited for by the old words is worked out anew by the new ones.
            $rule->update([
                'draft' => null, 'version_id' => $version->id, 'name' => $read->name, 'key' => $read->key,
                'start_cursor' => $rule->power === ActivationState::On ? 0 : $rule->start_cursor,
            ]);
            Drafts::forget($rule);
            Timer::query()->where('rule_id', $rule->id)->delete();
            if ($rule->power === ActivationState::On) {
                $next = $read->trigger->nextForAll($now, new \DateTimeZone(Business::ours()->zone));
                $next === null ? Timer::clear(Timer::CALENDAR, $rule->id) : Timer::schedule(Timer::CALENDAR, $rule->id, $next);
            }
            if ($step !== null) {
                self::goFurther($further, $version, $step, $now);
            }

            return $version;
        });
        if ($move) {
            self::move($rule, $version, $read, $now);
        }
        // What waited to be let go may wait for nobody now.
        Timer::askAgain($now, ruleId: $rule->id);

        return $version;
    }

    /** A copy of a rule gets a key of its own: two rules cannot be called the same by others. */
    private static function withFreeKey(Rule $rule, Core $read): Core
    {
        $key = $read->key;
        for ($n = 2; $key !== null && Rule::query()->where('key', $key)->whereKeyNot($rule->id)->exists(); $n++) {
            $key = substr((string) $read->key, 0, 50)."-$n";
        }

        return $key === $read->key ? $read : Core::read(Doc::of(['key' => $key] + $read->toDocument()));
    }

    /** @param  list<int>  $ids */
    private static function goFurther(array $ids, RuleVersion $version, string $step, \DateTimeImmutable $now): void
    {
        foreach (array_chunk($ids, 200) as $some) {
            foreach (
                Run::query()->whereKey($some)->where('rule_id', $version->rule_id)
                    ->where('outcome', 'finished')->whereNull('step')->get() as $run
            ) {
                $run->update([
                    'rule_version_id' => $version->id,
                    'state' => $run
                        ->readState()
                        ->at($step, $now)
                        ->with(['outcome' => null, 'watching' => false])
                        ->toArray(),
                    'live' => true,
                    'outcome' => null,
                    'ended_at' => null,
                    'step' => $step,
                ]);
                Timer::schedule(Timer::RUN, $run->id, $now);
                Trace::note(new Reason('run.further'), $now, [
                    'rule_id' => $run->rule_id, 'run_id' => $run->id, 'person_id' => $run->person_id, 'record_id' => $run->record_id,
                ]);
            }
        }
    }

    private static function move(Rule $rule, RuleVersion $version, Core $read, \DateTimeImmutable $now): void
    {
        Run::query()
            ->where('rule_id', $rule->id)
            ->where('live', true)
            ->where('rule_version_id', '!=', $version->id)
            ->chunkById(200, function ($runs) use ($version, $read, $now): void {
                DB::transaction(function () use ($runs, $version, $read, $now): void {
                    foreach ($runs as $run) {
                        if ($run->step !== null && $read->flow->step($run->step) === null) {
                            $run->update(['stuck' => true]);

                            continue;
                        }
                        $run->update(['rule_version_id' => $version->id, 'stuck' => false]);
                        // A text that waits already keeps its words and its moment.
                        if (
                            ! isset($run->state['awaits']) ||
                            ! Message::query()
                                ->where('name', "$run->id/{$run->state['awaits']}")
                                ->exists()
                        ) {
                            Timer::schedule(Timer::RUN, $run->id, $now);
                        }
                    }
                });
            });
    }
}
