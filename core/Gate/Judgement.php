<?php

declare(strict_types=1);

namespace Linnet\Core\Gate;

/** What the gate says of a text: the verdict of every check asked, the last of which decides. */
final readonly class Judgement
{
    /** @param  non-empty-list<Verdict>  $verdicts */
    public function __construct(public array $verdicts)
    {
    }

    public function verdict(): Verdict
    {
        return $this->verdicts[count($this->verdicts) - 1];
    }

    /** @return list<array{say: string, code: string, with: array<string, mixed>}> */
    public function toArray(): array
    {
        return array_map(fn (Verdict $v): array => ['say' => $v->say->value] + $v->reason->toArray(), $this->verdicts);
    }
}
