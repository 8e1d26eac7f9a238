<?php

declare(strict_types=1);

namespace Linnet\Core\InMemory;

use Linnet\Core\Context\Subject;
use Linnet\Core\Engine\Due\Due;
use Linnet\Core\Engine\Due\DueBroadcast;
use Linnet\Core\Engine\Due\DueRun;
use Linnet\Core\Engine\Due\DueStart;
use Linnet\Core\Engine\Due\DueText;
use Linnet\Core\Engine\Piece;
use Linnet\Core\Engine\Port\TimerStore;
use Linnet\Core\Engine\Published;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\Record;
use Linnet\Core\Record\RecordType;

final readonly class InMemoryTimerStore implements TimerStore
{
    public function __construct(private Sheet $sheet)
    {
    }

    public function claimDue(int $most): array
    {
        $due = array_map(fn (array $one): ?Due => $this->read(...$one), $this->sheet->agenda->popDue($this->sheet->now, $most));

        return array_values(array_filter($due));
    }

    public function awaitCalendar(string $ruleId, ?\DateTimeImmutable $next): void
    {
        $next === null ? $this->sheet->agenda->clear("calendar:$ruleId") : $this->sheet->agenda->schedule("calendar:$ruleId", $next);
    }

    public function beginBroadcast(string $ruleId, \DateTimeImmutable $at): void
    {
        if ($this->sheet->rules[(int) $ruleId]->power === ActivationState::On) {
            $this->sheet->pieces[] = [$ruleId, $at];
        }
    }

    public function beginAwaiting(string $ruleId): void
    {
        $this->sheet->pieces[] = [$ruleId, null];
    }

    /** On paper there is room for all of them at once. */
    public function takePiece(): ?Piece
    {
        // Calendars come before what was there when a rule was switched on.
        usort($this->sheet->pieces, fn (array $a, array $b): int => [$a[1] === null, (int) $a[0]] <=> [$b[1] === null, (int) $b[0]]);
        $next = array_shift($this->sheet->pieces);
        if ($next === null) {
            return null;
        }
        [$ruleId, $at] = $next;
        $rule = $this->sheet->rules[(int) $ruleId];

        return new Piece(new Published($ruleId, $rule->rule), $rule->power === ActivationState::On ? $this->all($rule) : [], $at, true);
    }

    private function read(string $key, \DateTimeImmutable $at): ?Due
    {
        [$kind, $rest] = explode(':', $key, 2);
        if ($kind === 'start') {
            [$ruleId, $what, $id] = explode(':', $rest, 3);
            $rule = $this->sheet->rules[(int) $ruleId];
            $subject = $what === 'record' ? $this->sheet->about(null, (int) $id) : $this->sheet->about((int) $id, null);

            return $rule->power === ActivationState::On
                ? new DueStart(new Published($ruleId, $rule->rule), $subject, $at, $this->sheet->changeId())
                : null;
        }

        return match ($kind) {
            'run' => new DueRun($this->sheet->runs[(int) $rest]),
            'text' => new DueText($this->sheet->texts[$rest]),
            default => new DueBroadcast($rest, $at),
        };
    }

    /** @return list<Subject> */
    private function all(InMemoryRule $rule): array
    {
        $type = $rule->rule->trigger->type();
        $ids = array_keys($type === RecordType::PERSON ? $this->sheet->people : array_filter(
            $this->sheet->records, fn (Record $record): bool => $record->type->key === $type,
        ));
        sort($ids);

        return array_map(
            fn (int $id): Subject => $type === RecordType::PERSON ? $this->sheet->about($id, null) : $this->sheet->about(null, $id),
            $ids,
        );
    }
}
