<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Trigger;

use Linnet\Core\Document\Doc;
use Linnet\Core\Record\Change;
use Linnet\Core\Record\Change\LabelKind;
use Linnet\Core\Record\RecordType;

/** A person gets or loses a tag, or comes onto or off a list. */
final readonly class LabelChanged implements Trigger
{
    use ByChange;

    public function __construct(public LabelKind $kind, public string $name, public bool $added)
    {
    }

    public static function read(Doc $doc): self
    {
        $kind = $doc->has('list') ? LabelKind::List : LabelKind::Tag;
        $doc->allow('on', $kind->value, 'change');

        return new self(
            $kind,
            $doc->text($kind->value, 60),
            $doc->oneOf('change', ['added' => fn (): bool => true, 'removed' => fn (): bool => false]),
        );
    }

    public function meets(Change\Change $change, string $ruleId): bool
    {
        return $change instanceof Change\LabelChanged && $change->kind === $this->kind && $change->added === $this->added
            && mb_strtolower($change->name, 'UTF-8') === mb_strtolower($this->name, 'UTF-8');
    }

    public function type(): string
    {
        return RecordType::PERSON;
    }

    public function toDocument(): array
    {
        return ['on' => 'label_changed', $this->kind->value => $this->name, 'change' => $this->added ? 'added' : 'removed'];
    }
}
