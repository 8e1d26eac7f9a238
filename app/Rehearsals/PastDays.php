<?php

declare(strict_types=1);

namespace App\Rehearsals;

use App\Engine\Store\DatabaseBusinessReader;
use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Models\Business;
use Illuminate\Support\Facades\DB;
use Linnet\Core\InMemory\InMemoryRule;
use Linnet\Core\InMemory\Sheet;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Rehearsal\Past\Ending;
use Linnet\Core\Rehearsal\Past\Replay;
use Linnet\Core\Rehearsal\Past\Replayed;
use Linnet\Core\Rule\Rule;
use Psr\Clock\ClockInterface;

/** Days that are past, on paper: as things were when they began, with the rules that are on now and the safeguards of now. */
final readonly class PastDays
{
    /** So much earlier it begins, so that what was under way on the first day is known. */
    public const WARM_UP = '-30 days';

    public function __construct(private ClockInterface $clock, private DatabaseSideEffects $sideEffects)
    {
    }

    /**
     * @param  Rule  $rule  the rule that is looked at, in the version that is rehearsed
     * @param  list<Rule>  $versions  those of its versions that tell when a text of it is no longer wanted
     * @param  \DateTimeImmutable  $begins  when the paper begins
     * @param  \DateTimeImmutable  $from  what the rule does is told from here on
     * @param  \Closure(int): void  $tick  is told after each change; with none, while people and records are read
     */
    public function replay(
        int $ruleId,
        Rule $rule,
        array $versions,
        \DateTimeImmutable $begins,
        \DateTimeImmutable $from,
        \DateTimeImmutable $until,
        \Closure $tick,
    ): Replayed {
        // What is read and lived through stays to the end and does not lead back to itself: looking for that takes a third of the time.
        $collects = gc_enabled();
        gc_disable();
        try {
            return $this->live($ruleId, $rule, $versions, $begins, $from, $until, $tick);
        } finally {
            $collects && gc_enable();
        }
    }

    /**
     * @param  list<Rule>  $versions
     * @param  \Closure(int): void  $tick
     */
    private function live(
        int $ruleId,
        Rule $rule,
        array $versions,
        \DateTimeImmutable $begins,
        \DateTimeImmutable $from,
        \DateTimeImmutable $until,
        \Closure $tick,
    ): Replayed {
        $reader = UnitOfWork::reading($this->clock->now(), $this->sideEffects, Business::ours())->reader;
        $sheet = new Sheet($reader->configuration($this->codes(), alive: $this->alive()), $begins);
        foreach ($this->rules($reader) as $id => $published) {
            $sheet->rules[$id] = new InMemoryRule((string) $id, $published);
        }
        $sheet->rules[$ruleId] = new InMemoryRule((string) $ruleId, $rule->letGo());
        ksort($sheet->rules);
        $facts = new PastFacts($reader, $begins, $tick);
        $facts->fill($sheet);
        $texts = new PastTexts($reader, $begins);
        $texts->fill($sheet);
        $alike = array_filter(
            array_map(fn (InMemoryRule $one): Rule => $one->rule, $sheet->rules),
            fn (Rule $one): bool => $one->trigger->type() === $rule->trigger->type(),
        );
        $replay = new Replay($sheet, (string) $ruleId, $from, $texts->fates(), Ending::of([...$versions, ...array_values($alike)]));
        $events = new PastEvents($reader, $facts, $begins, array_map(fn (InMemoryRule $one): ?string => $one->rule->key, $sheet->rules));

        return $replay->until($until, $events->all(), fn () => $tick(1));
    }

    /** When the paper begins: some time before what is told, or with the first that was kept. */
    public function begins(\DateTimeImmutable $from): \DateTimeImmutable
    {
        $first = DB::table('changes')->min('at');
        $warm = $from->modify(self::WARM_UP);

        return $first === null ? $from : min($from, max($warm, DatabaseBusinessReader::moment($first)));
    }

    /** @return array<int, Rule> published and on, by id; batches that wait for somebody count as let go at once */
    private function rules(DatabaseBusinessReader $reader): array
    {
        $rules = [];
        foreach (
            DB::table('rules')
                ->whereNotNull('version_id')
                ->where('power', ActivationState::On->value)
                ->orderBy('id')
                ->get(['id', 'version_id']) as $row
        ) {
            $rules[(int) $row->id] = $reader->version((int) $row->version_id)->letGo();
        }

        return $rules;
    }

    /** @return array<string, bool> what is known by now of numbers that were looked up */
    private function alive(): array
    {
        $alive = DB::table('numbers')->whereNotNull('alive')->pluck('alive', 'e164')->all();

        return array_map(fn (mixed $is): bool => (bool) $is, $alive);
    }

    /**
     * Codes in the order in which they are given: those that are given by now too.
     *
     * @return array<string, list<string>>
     */
    private function codes(): array
    {
        $codes = [];
        foreach (DB::table('codes')->orderBy('id')->get(['list', 'code']) as $row) {
            $codes[(string) $row->list][] = (string) $row->code;
        }

        return $codes;
    }
}
