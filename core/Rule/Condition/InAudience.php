<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Condition;

use Linnet\Core\Document\Doc;
use Linnet\Core\Reason;
use Linnet\Core\Rule\RuleContext;

/** Whether the person, or the record, belongs to an audience, as the audience is when it is asked. */
final readonly class InAudience implements Condition
{
    /** What stands before its name where it is asked for among the types of records: no type is called so. */
    private const MARK = 'audience ';

    public function __construct(public string $name, public bool $has)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('audience', 'has');

        return new self($doc->text('audience', 60), ! $doc->has('has') || $doc->yesNo('has'));
    }

    public function asked(): string
    {
        return self::MARK.$this->name;
    }

    /** Whether one of {@see Conditions::relatedTypes()} is an audience. */
    public static function isOne(string $asked): bool
    {
        return str_starts_with($asked, self::MARK);
    }

    public static function called(string $asked): string
    {
        return substr($asked, strlen(self::MARK));
    }

    public function weigh(RuleContext $context): Weighed
    {
        $audience = $context->audiences[$this->name] ?? null;
        if ($audience === null) {
            return new Weighed(Truth::Unknown, new Reason('condition.no_audience', ['name' => $this->name]));
        }
        $weighed = $audience->condition->weigh($context);

        return new Weighed($this->has ? $weighed->truth : $weighed->truth->not(), $weighed->reason);
    }

    public function toDocument(): array
    {
        return ['audience' => $this->name] + ($this->has ? [] : ['has' => false]);
    }
}
