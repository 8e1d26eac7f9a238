<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Condition;

use Linnet\Core\Document\Doc;
use Linnet\Core\Reason;
use Linnet\Core\Rule\RuleContext;

/** Whether the person has texted since the run began. */
final readonly class Replied implements Condition
{
    public function __construct(public bool $replied)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('replied');

        return new self($doc->yesNo('replied'));
    }

    public function weigh(RuleContext $context): Weighed
    {
        $replied = $context->hasReplied();
        $with = ['who' => $context->who];

        return new Weighed(Truth::of($replied === $this->replied), $replied && $context->lastReplyAt !== null
            ? new Reason('condition.replied', $with + ['at' => Reason::moment($context->lastReplyAt, $context->businessZone)])
            : new Reason('condition.not_replied', $with));
    }

    public function toDocument(): array
    {
        return ['replied' => $this->replied];
    }
}
