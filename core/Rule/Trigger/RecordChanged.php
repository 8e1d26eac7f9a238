<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Trigger;

use Linnet\Core\Document\Doc;
use Linnet\Core\Record\Change;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rule\Same;

/** A field of a record, or of a person, took another value; entering a stage is this one. */
final readonly class RecordChanged implements Trigger
{
    use ByChange;

    /**
     * @param  scalar|null  $from  the value it must have had, null for any
     * @param  scalar|null  $to  the value it must take, null for any
     */
    public function __construct(
        public string $type,
        public string $field,
        public string|int|float|bool|null $from,
        public string|int|float|bool|null $to,
    ) {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('on', 'type', 'field', 'from', 'to');

        return new self(
            $doc->name('type'), $doc->name('field'), $doc->has('from') ? $doc->scalar('from') : null,
            $doc->has('to') ? $doc->scalar('to') : null,
        );
    }

    public function meets(Change\Change $change, string $ruleId): bool
    {
        return ($change instanceof Change\RecordChanged
            ? $change->type === $this->type
            : $change instanceof Change\PersonChanged && $this->type === RecordType::PERSON) &&
            array_key_exists($this->field, $change->to) &&
            // Where it is not known what was, it may have been this.
            ($this->from === null || ! array_key_exists($this->field, $change->from) ||
                Same::as($change->from[$this->field], $this->from)) &&
            ($this->to === null || Same::as($change->to[$this->field], $this->to));
    }

    public function foresight(): Foresight
    {
        return Foresight::Changed;
    }

    public function field(): string
    {
        return RecordType::path($this->type, $this->field);
    }

    public function begunWith(): array
    {
        return $this->to === null ? [] : [$this->field => $this->to];
    }

    public function type(): string
    {
        return $this->type;
    }

    public function toDocument(): array
    {
        return ['on' => 'record_changed', 'type' => $this->type, 'field' => $this->field]
            + ($this->from === null ? [] : ['from' => $this->from])
            + ($this->to === null ? [] : ['to' => $this->to]);
    }
}
