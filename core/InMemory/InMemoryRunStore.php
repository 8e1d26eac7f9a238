<?php

declare(strict_types=1);

namespace Linnet\Core\InMemory;

use Linnet\Core\Context\Subject;
use Linnet\Core\Engine\DomainEvent;
use Linnet\Core\Engine\Port\RunStore;
use Linnet\Core\Engine\Published;
use Linnet\Core\Engine\Run;
use Linnet\Core\Engine\RunState;
use Linnet\Core\Engine\ScheduledStart;
use Linnet\Core\Reason;

final readonly class InMemoryRunStore implements RunStore
{
    public function __construct(private Sheet $sheet)
    {
    }

    public function lastBegan(string $ruleId, int $personId): ?\DateTimeImmutable
    {
        return $this->sheet->lastBegan["$ruleId/$personId"] ?? null;
    }

    public function begin(Published $published, Subject $subject, string $occasion, RunState $state, DomainEvent $why): ?Run
    {
        $key = "$published->ruleId|$occasion";
        if (isset($this->sheet->occasions[$key])) {
            return null;
        }
        $this->sheet->occasions[$key] = true;
        $id = ++$this->sheet->lastRun;
        $run = new Run($id, $published->ruleId, $published->rule, $subject, $state, $why->line, $why->number, $why->cause);
        $run->pausedUntil = $this->sheet->rules[(int) $published->ruleId]->pausedUntil;
        $this->sheet->lastBegan["$published->ruleId/{$run->personId()}"] = $state->beganAt;
        $this->sheet->live[$run->personId()][$id] = $run;

        return $this->sheet->runs[$id] = $run;
    }

    public function decidedBefore(string $ruleId, Subject $subject): array
    {
        $key = "$ruleId/{$subject->name()}/$subject->personId";
        $decided = $this->sheet->decided[$key] ?? [];
        unset($this->sheet->decided[$key]);

        return $decided;
    }

    public function liveOf(int $personId): array
    {
        return array_values($this->sheet->live[$personId] ?? []);
    }

    public function liveAbout(int $recordId): array
    {
        $live = array_merge(...array_values($this->sheet->live));
        $about = array_filter($live, fn (Run $run): bool => $run->subject->recordId === $recordId);
        usort($about, fn (Run $a, Run $b): int => $a->id <=> $b->id);

        return $about;
    }

    public function asking(int $personId): array
    {
        $asking = array_filter($this->liveOf($personId), fn (Run $run): bool => $run->state->askedAt !== null);
        usort($asking, fn (Run $a, Run $b): int => [$b->state->askedAt, $b->id] <=> [$a->state->askedAt, $a->id]);

        return $asking;
    }

    public function save(Run $run, ?\DateTimeImmutable $wake): void
    {
        if ($run->state->isOver()) {
            unset($this->sheet->live[$run->personId()][$run->id]);
        }
        $wake === null || $run->state->isOver()
            ? $this->sheet->agenda->clear("run:$run->id")
            : $this->sheet->agenda->schedule("run:$run->id", $wake);
    }

    public function keep(Run $run): void
    {
        // It is the run itself that is on the sheet.
    }

    public function scheduleStart(ScheduledStart $scheduled, Subject $subject): void
    {
        $key = "start:$scheduled->ruleId:{$subject->name()}";
        $scheduled->dueAt === null ? $this->sheet->agenda->clear($key) : $this->sheet->agenda->schedule($key, $scheduled->dueAt);
    }

    public function note(Reason $reason, ?string $ruleId, ?Run $run, Subject $subject): void
    {
        $this->sheet->trace[] = [
            'at' => $this->sheet->now, 'reason' => $reason, 'rule' => $ruleId, 'run' => $run?->id, 'subject' => $subject,
        ];
    }
}
