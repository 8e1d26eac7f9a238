<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Condition;

use Linnet\Core\Document\Doc;
use Linnet\Core\Engine\Situation;
use Linnet\Core\Reason;

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

    public function weigh(Situation $situation): Weighed
    {
        $replied = $situation->hasReplied();
        $with = ['who' => $situation->who];

        return new Weighed(Truth::of($replied === $this->replied), $replied && $situation->lastReplyAt !== null
            ? new Reason('condition.replied', $with + ['at' => Reason::moment($situation->lastReplyAt, $situation->businessZone)])
            : new Reason('condition.not_replied', $with));
    }

    public function toDocument(): array
    {
        return ['replied' => $this->replied];
    }
}
