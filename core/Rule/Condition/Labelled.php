<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Condition;

use Linnet\Core\Document\Doc;
use Linnet\Core\Reason;
use Linnet\Core\Record\Change\LabelKind;
use Linnet\Core\Rule\RuleContext;

/** Whether the person has a tag, or stands on a list. */
final readonly class Labelled implements Condition
{
    public function __construct(public LabelKind $kind, public string $name, public bool $has)
    {
    }

    public static function read(Doc $doc, LabelKind $kind): self
    {
        $doc->allow($kind->value, 'has');

        return new self($kind, $doc->text($kind->value, 60), ! $doc->has('has') || $doc->yesNo('has'));
    }

    public function weigh(RuleContext $context): Weighed
    {
        $names = $this->kind === LabelKind::Tag ? $context->standing->tags : $context->standing->lists;
        $has = in_array(mb_strtolower($this->name, 'UTF-8'), array_map(fn (string $n): string => mb_strtolower($n, 'UTF-8'), $names), true);

        return new Weighed(
            Truth::of($has === $this->has),
            new Reason('condition.'.($has ? 'has_' : 'no_').$this->kind->value, ['who' => $context->who, 'name' => $this->name]),
        );
    }

    public function toDocument(): array
    {
        return [$this->kind->value => $this->name] + ($this->has ? [] : ['has' => false]);
    }
}
