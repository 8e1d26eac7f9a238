<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Condition;

use Linnet\Core\Document\Doc;
use Linnet\Core\Reason;
use Linnet\Core\Rule\RuleContext;

/** What the ledger says of the person: agreed to marketing texts, or said stop. */
final readonly class Consented implements Condition
{
    public function __construct(public bool $marketing, public bool $has)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('consent', 'has');

        return new self(
            $doc->oneOf('consent', ['marketing' => fn (): bool => true, 'opted_out' => fn (): bool => false]),
            ! $doc->has('has') || $doc->yesNo('has'),
        );
    }

    public function weigh(RuleContext $context): Weighed
    {
        $has = $this->marketing ? $context->standing->optedIn : $context->optedOut;
        $code = $this->marketing ? ($has ? 'opted_in' : 'not_opted_in') : ($has ? 'opted_out' : 'not_opted_out');

        return new Weighed(Truth::of($has === $this->has), new Reason("condition.$code", ['who' => $context->who]));
    }

    public function toDocument(): array
    {
        return ['consent' => $this->marketing ? 'marketing' : 'opted_out'] + ($this->has ? [] : ['has' => false]);
    }
}
