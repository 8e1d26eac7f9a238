<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Trigger;

use Linnet\Core\Document\Doc;
use Linnet\Core\Record\Change;

/** Nothing but somebody, another rule, or another system starts it. */
final readonly class Started implements Trigger
{
    use ByChange;

    public function __construct(public string $type)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('on', 'type');

        return new self($doc->name('type'));
    }

    /** Whatever its trigger, a rule may be started by hand; only this kind waits for nothing else. */
    public function meets(Change\Change $change, string $ruleId): bool
    {
        return false;
    }

    public function type(): string
    {
        return $this->type;
    }

    public function toDocument(): array
    {
        return ['on' => 'started', 'type' => $this->type];
    }
}
