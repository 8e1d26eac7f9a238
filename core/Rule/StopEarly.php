<?php

declare(strict_types=1);

namespace Linnet\Core\Rule;

use Linnet\Core\Document\Doc;
use Linnet\Core\Rule\Condition\Condition;
use Linnet\Core\Rule\Condition\Conditions;

/** What ends a run before its last step. An opt-out always does. */
final readonly class StopEarly
{
    /**
     * @param  bool  $onReply  as soon as the person texts; an answer to the rule's own question is not such a reply
     * @param  Condition|null  $while  as soon as this no longer holds: the rule's standing condition
     */
    private function __construct(public bool $onReply, public ?Condition $while)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('reply', 'while');

        return new self($doc->yesNo('reply'), $doc->has('while') ? Conditions::read($doc->object('while')) : null);
    }

    /** @return array<string, mixed> */
    public function toDocument(): array
    {
        return ['reply' => $this->onReply] + ($this->while === null ? [] : ['while' => $this->while->toDocument()]);
    }
}
