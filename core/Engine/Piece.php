<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Context\Subject;

/** Some of those whom a rule concerns all at once: when it was switched on, or when its calendar came. */
final readonly class Piece
{
    /**
     * @param  list<Subject>  $subjects  in their order
     * @param  \DateTimeImmutable|null  $at  the moment of the calendar; null where the rule was switched on
     * @param  bool  $isLast  nobody comes after them
     */
    public function __construct(public Published $published, public array $subjects, public ?\DateTimeImmutable $at, public bool $isLast)
    {
    }
}
