<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Rule\Condition\Condition;
use Linnet\Core\Rule\Condition\Conditions;
use Linnet\Core\Time\Span;

/** A wait until the person replies or a condition holds, whichever comes first, with a limit. */
final readonly class WaitFor implements Step
{
    public function __construct(public string $id, public bool $reply, public ?Condition $condition, public Span $atMost)
    {
    }

    public static function read(string $id, Doc $until): self
    {
        $until->allow('reply', 'condition', 'at_most');
        /** @var array{bool, Condition|null, Span} $read */
        $read = $until->gather([
            fn (): bool => $until->has('reply') && $until->yesNo('reply'),
            fn (): ?Condition => $until->has('condition') ? Conditions::read($until->object('condition')) : null,
            fn (): Span => Span::under($until, 'at_most'),
        ]);

        return $read[0] || $read[1] !== null ? new self($id, ...$read) : throw Unreadable::at("$until->path.reply", 'waits_for_nothing');
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toDocument(): array
    {
        return ['id' => $this->id, 'do' => 'wait', 'until' => ($this->reply ? ['reply' => true] : [])
            + ($this->condition === null ? [] : ['condition' => $this->condition->toDocument()])
            + ['at_most' => $this->atMost->toDocument()]];
    }
}
