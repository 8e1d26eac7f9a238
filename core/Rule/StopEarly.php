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
     * @param  OnWriting|null  $onWriting  what it does where one of us writes to them; null for going on
     */
    private function __construct(public bool $onReply, public ?Condition $while, public ?OnWriting $onWriting)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('reply', 'while', 'we_write');

        return new self(
            $doc->yesNo('reply'), $doc->has('while') ? Conditions::read($doc->object('while')) : null,
            $doc->has('we_write') ? $doc->choice('we_write', OnWriting::class) : null,
        );
    }

    /** @return array<string, mixed> */
    public function toDocument(): array
    {
        return ['reply' => $this->onReply] + ($this->while === null ? [] : ['while' => $this->while->toDocument()])
            + ($this->onWriting === null ? [] : ['we_write' => $this->onWriting->value]);
    }
}
