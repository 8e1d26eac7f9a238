<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Context\Subject;
use Linnet\Core\Reason;

/** The rules through which a change came about, the first one first. */
final readonly class Cause
{
    /** A chain of more links is cut. */
    public const MOST = 10;

    /** @param  list<string>  $links  rule and subject of each, such as "7@record:12" */
    public function __construct(public array $links = [])
    {
    }

    public function then(string $ruleId, Subject $subject): self
    {
        return new self([...$this->links, "$ruleId@{$subject->name()}"]);
    }

    /** Why a rule may not begin at the end of this chain; null where it may. */
    public function cuts(string $ruleId, Subject $subject): ?Reason
    {
        return match (true) {
            in_array("$ruleId@{$subject->name()}", $this->links, true) => new Reason('start.ring', ['links' => count($this->links)]),
            count($this->links) >= self::MOST => new Reason('start.chain', ['links' => count($this->links)]),
            default => null,
        };
    }
}
