<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Context\Subject;
use Linnet\Core\Record\Change\Change;

/** A change as it is taken: what happened, to whom, and through what. */
final readonly class DomainEvent
{
    /**
     * @param  string  $id  its own, which no other change has
     * @param  string|null  $line  key of the line it came by
     * @param  string|null  $number  E.164 it came from
     */
    public function __construct(
        public string $id,
        public Change $change,
        public Subject $subject,
        public \DateTimeImmutable $at,
        public ?string $line = null,
        public ?string $number = null,
        public Cause $cause = new Cause,
    ) {
    }
}
