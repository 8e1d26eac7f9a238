<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Condition;

use Linnet\Core\Document\Doc;
use Linnet\Core\Reason;
use Linnet\Core\Rule\RuleContext;

/** All, any or none of several conditions. */
final readonly class Group implements Condition
{
    /** @param  list<Condition>  $parts */
    public function __construct(public Joined $joined, public array $parts)
    {
    }

    public static function read(Doc $doc, Joined $joined): self
    {
        $doc->allow($joined->value);

        return new self($joined, $doc->each($joined->value, Conditions::read(...), 0, 50));
    }

    public function weigh(RuleContext $context): Weighed
    {
        $weighed = array_map(fn (Condition $part): Weighed => $part->weigh($context), $this->parts);
        $truth = $this->joined->truth(array_column($weighed, 'truth'));

        foreach ($weighed as $part) {
            if ($part->truth === $this->joined->decidedBy($truth)) {
                return new Weighed($truth, $part->reason);
            }
        }

        return new Weighed($truth, new Reason('condition.nothing_asked'));
    }

    public function toDocument(): array
    {
        return [$this->joined->value => array_map(fn (Condition $part): array => $part->toDocument(), $this->parts)];
    }
}
