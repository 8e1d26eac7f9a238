<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Condition;

use Linnet\Core\Document\Doc;
use Linnet\Core\Reason;
use Linnet\Core\Rule\RuleContext;

/** The moment against the business's opening hours. */
final readonly class OpeningHours implements Condition
{
    public function __construct(public bool $open)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('hours');

        return new self($doc->oneOf('hours', ['open' => fn (): bool => true, 'closed' => fn (): bool => false]));
    }

    public function weigh(RuleContext $context): Weighed
    {
        $open = $context->isOpen();

        return new Weighed(Truth::of($open === $this->open), new Reason($open ? 'condition.open' : 'condition.closed', [
            'at' => Reason::moment($context->now, $context->businessZone),
        ]));
    }

    public function toDocument(): array
    {
        return ['hours' => $this->open ? 'open' : 'closed'];
    }
}
