<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal;

use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\Run;
use Linnet\Core\Engine\TextState;
use Linnet\Core\InMemory\Sheet;
use Linnet\Core\Reason;

/** What came of a world lived through on paper. */
final readonly class RehearsalResult
{
    public function __construct(private Sheet $sheet)
    {
    }

    /** @return list<OutText> in the order in which they were wanted */
    public function texts(): array
    {
        return array_values($this->sheet->texts);
    }

    /** @return list<OutText> those that would have left */
    public function sent(): array
    {
        return array_values(array_filter($this->sheet->texts, fn (OutText $text): bool => $text->state === TextState::Left));
    }

    /** @return list<Run> */
    public function runs(): array
    {
        return array_values($this->sheet->runs);
    }

    /**
     * @return list<array{at: \DateTimeImmutable, reason: Reason, rule: string|null, run: int|null, subject: \Linnet\Core\Context\Subject}>
     */
    public function trace(): array
    {
        return $this->sheet->trace;
    }

    /** @return list<array{at: \DateTimeImmutable, what: string, run: int, with: array<string, mixed>}> */
    public function sideEffects(): array
    {
        return $this->sheet->sideEffects;
    }

    public function personKey(int $id): string
    {
        return (string) array_search($id, $this->sheet->personIds, true);
    }

    public function recordKey(int $id): string
    {
        return (string) array_search($id, $this->sheet->recordIds, true);
    }
}
