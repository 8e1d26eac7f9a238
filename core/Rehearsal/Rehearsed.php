<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal;

use Linnet\Core\Reason;

/** A run carried out on paper. */
final readonly class Rehearsed
{
    /**
     * @param  list<RehearsedText>  $texts
     * @param  list<Reason>  $trace
     * @param  \DateTimeImmutable|null  $hangsOn  the date that starts it, where one does
     */
    public function __construct(
        public \DateTimeImmutable $beganAt,
        public array $texts,
        public array $trace,
        public ?\DateTimeImmutable $hangsOn = null,
    ) {
    }
}
