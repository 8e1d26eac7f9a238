<?php

declare(strict_types=1);

namespace Linnet\Core\Record\Change;

/** The moment a rule waits for, hung on a date, has come. */
final readonly class DateCame implements Change
{
    /**
     * @param  string  $ruleId  the rule that waited
     * @param  \DateTimeImmutable  $at  the moment itself
     * @param  \DateTimeImmutable  $anchor  the date it hangs on
     * @param  bool  $late  it was past already when it was worked out
     */
    public function __construct(
        public string $ruleId,
        public \DateTimeImmutable $at,
        public \DateTimeImmutable $anchor,
        public bool $late = false,
    ) {
    }
}
