<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Condition;

use Linnet\Core\Document\Doc;
use Linnet\Core\Reason;
use Linnet\Core\Rule\RuleContext;
use Linnet\Core\Time\Span;

/** Whether the person has had a text from this or any rule within the last days. */
final readonly class HadText implements Condition
{
    /** @param  bool  $any of any rule; otherwise of this one alone */
    public function __construct(public bool $any, public int $days, public bool $has)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('had_text', 'days', 'has');

        return new self(
            $doc->oneOf('had_text', ['of_any_rule' => fn (): bool => true, 'of_this_rule' => fn (): bool => false]),
            $doc->integer('days', 1, 365), ! $doc->has('has') || $doc->yesNo('has'),
        );
    }

    public function weigh(RuleContext $context): Weighed
    {
        $last = $context->lastTextAt($this->any ? null : $context->ruleId);
        $had = $last !== null && $last > Span::days($this->days)->before($context->now, $context->clocks()->theirs);

        return new Weighed(Truth::of($had === $this->has), $last === null
            ? new Reason('condition.no_text_yet', ['who' => $context->who])
            : new Reason('condition.last_text', ['who' => $context->who, 'at' => Reason::moment($last, $context->businessZone)]));
    }

    public function toDocument(): array
    {
        return ['had_text' => $this->any ? 'of_any_rule' : 'of_this_rule', 'days' => $this->days] + ($this->has ? [] : ['has' => false]);
    }
}
