<?php

declare(strict_types=1);

namespace Linnet\Core\Gate;

use Linnet\Core\Document\Doc;

/** How many automatic texts one person may get: in any 24 hours, in any 7 days, and how far apart. */
final readonly class Cap
{
    private const WEEK = 7 * 86_400;

    /** @param  bool  $excuseService  service texts go past it; they still count */
    public function __construct(
        public ?int $perDay = null,
        public ?int $perWeek = null,
        public int $gapMinutes = 0,
        public bool $excuseService = false,
    ) {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('per_day', 'per_week', 'gap_minutes', 'excuse_service');

        return new self(
            $doc->has('per_day') ? $doc->integer('per_day', 1, 1000) : null,
            $doc->has('per_week') ? $doc->integer('per_week', 1, 5000) : null,
            $doc->has('gap_minutes') ? $doc->integer('gap_minutes', 0, 10_080) : 0,
            $doc->has('excuse_service') && $doc->yesNo('excuse_service'),
        );
    }

    /**
     * The earliest moment another may leave.
     *
     * @param  list<\DateTimeImmutable>  $recent  when they had their last ones, the newest first
     */
    public function allows(array $recent, \DateTimeImmutable $now): \DateTimeImmutable
    {
        $at = $now->getTimestamp();
        if ($recent !== [] && $this->gapMinutes > 0) {
            $at = max($at, $recent[0]->getTimestamp() + $this->gapMinutes * 60);
        }
        foreach ([[$this->perDay, 86_400], [$this->perWeek, self::WEEK]] as [$limit, $window]) {
            if ($limit !== null && isset($recent[$limit - 1])) {
                $at = max($at, $recent[$limit - 1]->getTimestamp() + $window);
            }
        }

        return $at === $now->getTimestamp() ? $now : $now->setTimestamp($at);
    }

    /** How many of the last ones have to be known. */
    public function looksBack(): int
    {
        return max($this->perDay ?? 0, $this->perWeek ?? 0, $this->gapMinutes > 0 ? 1 : 0);
    }

    /** @return array<string, int|bool> */
    public function toDocument(): array
    {
        return array_filter([
            'per_day' => $this->perDay, 'per_week' => $this->perWeek, 'gap_minutes' => $this->gapMinutes,
            'excuse_service' => $this->excuseService,
        ]);
    }
}
