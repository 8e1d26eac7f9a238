<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Condition;

use Linnet\Core\Document\Doc;
use Linnet\Core\Number\NumberKind;
use Linnet\Core\Reason;
use Linnet\Core\Rule\RuleContext;

/** What kind of line the person's number is, or whether it is alive. */
final readonly class Reached implements Condition
{
    public function __construct(public NumberTest $test)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('number');

        return new self($doc->choice('number', NumberTest::class));
    }

    public function weigh(RuleContext $context): Weighed
    {
        $kind = $context->standing->number;
        $alive = $context->standing->alive;
        $with = ['who' => $context->who];
        if ($this->test === NumberTest::None || $kind === null) {
            return new Weighed(
                Truth::of(($kind === null) === ($this->test === NumberTest::None)),
                new Reason($kind === null ? 'condition.no_number' : 'condition.has_number', $with),
            );
        }
        if ($this->test === NumberTest::Alive || $this->test === NumberTest::Dead) {
            return $alive === null
                ? new Weighed(Truth::Unknown, new Reason('condition.not_looked_up', $with))
                : new Weighed(
                    Truth::of($alive === ($this->test === NumberTest::Alive)),
                    new Reason($alive ? 'condition.number_alive' : 'condition.number_dead', $with),
                );
        }

        return $kind === NumberKind::Unknown || $kind === NumberKind::Either
            ? new Weighed(Truth::Unknown, new Reason('condition.number_kind_unknown', $with))
            : new Weighed(Truth::of($kind->value === $this->test->value), new Reason('condition.number_'.$kind->value, $with));
    }

    public function toDocument(): array
    {
        return ['number' => $this->test->value];
    }
}
