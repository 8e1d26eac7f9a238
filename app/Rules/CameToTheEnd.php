<?php

declare(strict_types=1);

namespace App\Rules;

use App\Engine\Store\UnitOfWork;
use App\Models\Rule;
use App\Models\Run;
use Illuminate\Database\Eloquent\Builder;
use Linnet\Core\Context\Subject;
use Linnet\Core\Rule\Rule as Core;

/** Those who have been through a rule of late, and would still be in it. */
final readonly class CameToTheEnd
{
    /** So many are taken along by one publishing. */
    public const MOST = 1000;

    public function __construct(private UnitOfWork $unit)
    {
    }

    /** @return list<int> their runs; of several of one person about one thing, the newest */
    public function runs(Rule $rule, Core $is, int $days): array
    {
        $runs = self::ended($rule, $days, $this->unit->now)->orderByDesc('id')->limit(self::MOST)->get(['id', 'person_id', 'record_id']);
        $this->unit->reader->preload(array_values(array_unique(array_map(intval(...), $runs->pluck('person_id')->all()))));
        $this->unit->reader->preloadRecords(array_values(array_map(intval(...), $runs->pluck('record_id')->filter()->all())));
        $found = [];
        foreach ($runs as $run) {
            $context = $this->unit->contexts->create(
                new Subject($run->person_id, $run->record_id), null, $is->relatedTypes, (string) $rule->id,
            );
            if (! $context->optedOut && $is->conditions->weigh($context)->holds()) {
                $found["$run->person_id/$run->record_id"] ??= $run->id;
            }
        }

        return array_values($found);
    }

    /** Whether more came to the end than are asked. */
    public static function areMore(Rule $rule, int $days, \DateTimeImmutable $now): bool
    {
        return self::ended($rule, $days, $now)->count() > self::MOST;
    }

    /** @return Builder<Run> */
    private static function ended(Rule $rule, int $days, \DateTimeImmutable $now): Builder
    {
        $since = $now->modify("-$days days");

        return Run::query()
            ->where('rule_id', $rule->id)
            ->where('outcome', 'finished')
            ->where(
                fn ($any) => $any
                    ->where(fn ($ended) => $ended->where('live', false)->where('ended_at', '>=', $since))
                    ->orWhere(fn ($watching) => $watching->where('live', true)->whereNull('step')),
            );
    }
}
