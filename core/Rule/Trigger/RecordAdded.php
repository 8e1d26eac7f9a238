<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Trigger;

use Linnet\Core\Document\Doc;
use Linnet\Core\Record\Change;
use Linnet\Core\Record\RecordType;

/** A record came in; of people, somebody became known. */
final readonly class RecordAdded implements Trigger
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

    public function meets(Change\Change $change, string $ruleId): bool
    {
        return $change instanceof Change\RecordAdded
            ? $change->type === $this->type
            : $change instanceof Change\PersonAdded && $this->type === RecordType::PERSON;
    }

    public function foresight(): Foresight
    {
        return Foresight::Added;
    }

    public function type(): string
    {
        return $this->type;
    }

    public function toDocument(): array
    {
        return ['on' => 'record_added', 'type' => $this->type];
    }
}
