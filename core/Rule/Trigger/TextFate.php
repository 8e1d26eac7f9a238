<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Trigger;

use Linnet\Core\Document\Doc;
use Linnet\Core\Record\Change;
use Linnet\Core\Record\Change\ReportedStatus;
use Linnet\Core\Record\RecordType;

/** A text to the person failed, could not be delivered, or had its link opened. */
final readonly class TextFate implements Trigger
{
    use ByChange;

    /** @param  string|null  $rule  key of the rule whose texts count; null for any but this one */
    public function __construct(public ReportedStatus $fate, public ?string $rule)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('on', 'fate', 'of_rule');

        return new self($doc->choice('fate', ReportedStatus::class), $doc->has('of_rule') ? $doc->name('of_rule') : null);
    }

    public function meets(Change\Change $change, string $ruleId): bool
    {
        return $change instanceof Change\StatusReported &&
            $change->fate === $this->fate &&
            ($this->rule === null || $change->rule === $this->rule);
    }

    public function names(): array
    {
        return $this->rule === null ? [] : [['rule', $this->rule]];
    }

    public function type(): string
    {
        return RecordType::PERSON;
    }

    public function toDocument(): array
    {
        return ['on' => 'text_fate', 'fate' => $this->fate->value] + ($this->rule === null ? [] : ['of_rule' => $this->rule]);
    }
}
