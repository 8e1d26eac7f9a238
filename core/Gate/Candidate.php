<?php

declare(strict_types=1);

namespace Linnet\Core\Gate;

use Linnet\Core\Record\Receiver;
use Linnet\Core\Rule\Step\TextKind;

/** A text that would leave now, with what the gate asks about. */
final readonly class Candidate
{
    /**
     * @param  Power  $rule  of the rule that wants it; on for texts no rule wants
     * @param  \DateTimeImmutable|null  $sameSentAt  when these words last went to this number
     */
    public function __construct(
        public Origin $origin,
        public TextKind $kind,
        public string $body,
        public Receiver $to,
        public Power $rule,
        public Power $line,
        public string $lineName,
        public Power $business = Power::On,
        public ?\DateTimeImmutable $sameSentAt = null,
    ) {
    }
}
