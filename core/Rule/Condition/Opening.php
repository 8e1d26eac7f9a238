<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Condition;

use Linnet\Core\Document\Doc;
use Linnet\Core\Engine\Situation;
use Linnet\Core\Reason;

/** The moment against the business's opening hours. */
final readonly class Opening implements Condition
{
    public function __construct(public bool $open)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('hours');

        return new self($doc->oneOf('hours', ['open' => fn (): bool => true, 'closed' => fn (): bool => false]));
    }

    public function weigh(Situation $situation): Weighed
    {
        $open = $situation->isOpen();

        return new Weighed(Truth::of($open === $this->open), new Reason($open ? 'condition.open' : 'condition.closed', [
            'at' => Reason::moment($situation->now, $situation->businessZone),
        ]));
    }

    public function toDocument(): array
    {
        return ['hours' => $this->open ? 'open' : 'closed'];
    }
}
