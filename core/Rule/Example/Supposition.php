<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Example;

use Linnet\Core\Document\Doc;
use Linnet\Core\Time\Span;
use Linnet\Core\Time\Unit;

/** Something that might happen while a rule goes on for somebody: they write, or a field of their record takes another value. */
final readonly class Supposition
{
    /**
     * @param  string|null  $step  the text after which it happens; null for after the beginning
     * @param  Span  $after  how long after
     * @param  string|null  $text  what they write
     * @param  array<string, string|int|float|bool|null>  $values  what the record's fields are then, by key
     */
    public function __construct(public ?string $step, public Span $after, public ?string $text, public array $values = [])
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('step', 'after', 'text', 'values');
        /** @var array{string|null, Span, string|null, array<string, string|int|float|bool|null>} $read */
        $read = $doc->gather([
            fn (): ?string => $doc->has('step') ? $doc->name('step') : null,
            fn (): Span => $doc->has('after') ? Span::read($doc->object('after')) : Span::of(0, Unit::Minutes) ?? Span::days(0),
            fn (): ?string => $doc->optionalText('text', 1000),
            fn (): array => Example::values($doc, 'values'),
        ]);

        return new self(...$read);
    }

    /** @return array<string, mixed> */
    public function toDocument(): array
    {
        return ($this->step === null ? [] : ['step' => $this->step]) + ['after' => $this->after->toDocument()]
            + ($this->text === null ? [] : ['text' => $this->text]) + ($this->values === [] ? [] : ['values' => $this->values]);
    }
}
