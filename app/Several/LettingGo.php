<?php

declare(strict_types=1);

namespace App\Several;

use App\Engine\Runner;
use App\Models\Business;
use App\Models\Run;
use App\Models\Staff;
use App\Models\TextToSeveral;
use App\Rules\Publishing;
use App\Rules\StartByHand;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Document\Doc;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Rule\Rule;
use Psr\Clock\ClockInterface;

/** A text to several goes to them, is held, goes on, and ends before its end. */
final readonly class LettingGo
{
    /** So many under way are ended while somebody waits. */
    private const AT_ONCE = 1000;

    public function __construct(private ClockInterface $clock, private Runner $runner, private StartByHand $starts)
    {
    }

    /** False where it was let go before. */
    public function letGo(TextToSeveral $several, Letter $letter, Staff $staff): bool
    {
        $now = $this->clock->now();
        $zone = Business::ours()->zone;

        return DB::transaction(function () use ($several, $letter, $staff, $now, $zone): bool {
            $mine = TextToSeveral::query()->whereKey($several->id)->whereNull('let_go_at')->update(['let_go_at' => $now]);
            if ($mine !== 1) {
                return false;
            }
            $rule = $several->rule;
            Publishing::publish($rule, Rule::read(Doc::of($letter->toDocument($now, $zone))), $staff, false, $now);
            $this->runner->switchOn($rule);
            if ($several->ticked) {
                $several->people()->orderBy('id')->chunkById(500, fn ($some) => $this->starts->several(
                    $rule,
                    array_values($some->map(fn ($one): array => [$one->person_id, $one->record_id === 0 ? null : $one->record_id])->all()),
                    $staff,
                ));
            } elseif ($letter->begins($now, $zone) <= $now) {
                $rule->update(['broadcast_at' => $now, 'broadcast_cursor' => 0]);
            }

            return true;
        });
    }

    public function pause(TextToSeveral $several): void
    {
        $several->rule->power === ActivationState::On && $several->rule->update(['power' => ActivationState::Paused, 'on_since' => null]);
    }

    public function goOn(TextToSeveral $several): void
    {
        $several->rule->power === ActivationState::Paused && $this->runner->switchOn($several->rule);
    }

    /** What has not left never does. */
    public function stop(TextToSeveral $several): void
    {
        $several->rule->update([
            'power' => ActivationState::Retired, 'on_since' => null, 'broadcast_at' => null, 'broadcast_cursor' => null,
        ]);
        Run::query()->where('rule_id', $several->rule_id)->where('live', true)->count() > self::AT_ONCE
            ? EndRule::dispatch($several->rule_id)
            : $this->runner->retire($several->rule);
    }
}
