<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

use Linnet\Core\Document\Doc;

/** When a line that fails too often is warned about, and when it sends no more by itself. */
final readonly class HealthLimits
{
    /**
     * @param  int  $lookAt  the last so many texts whose fate is known
     * @param  int  $atLeast  with fewer nothing is said
     * @param  int|float  $warn  percent
     * @param  int|float  $pause  percent
     */
    public function __construct(public int $lookAt = 200, public int $atLeast = 50, public int|float $warn = 2, public int|float $pause = 3)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('look_at', 'at_least', 'warn_percent', 'pause_percent');
        $percent = fn (string $key, int|float $else): int|float => $doc->has($key) ? $doc->number($key, 0.1, 100) : $else;
        $usual = new self;

        return new self(
            $doc->has('look_at') ? $doc->integer('look_at', 1, 10_000) : $usual->lookAt,
            $doc->has('at_least') ? $doc->integer('at_least', 1, 10_000) : $usual->atLeast,
            $percent('warn_percent', $usual->warn), $percent('pause_percent', $usual->pause),
        );
    }

    public function pauses(Health $health): bool
    {
        return $health->attempts >= $this->atLeast && $health->percent() >= $this->pause;
    }

    public function warns(Health $health): bool
    {
        return $health->attempts >= $this->atLeast && $health->percent() >= $this->warn;
    }

    /** @return array<string, int|float> */
    public function toDocument(): array
    {
        return ['look_at' => $this->lookAt, 'at_least' => $this->atLeast, 'warn_percent' => $this->warn, 'pause_percent' => $this->pause];
    }
}
