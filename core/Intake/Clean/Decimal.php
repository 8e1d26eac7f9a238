<?php

declare(strict_types=1);

namespace Linnet\Core\Intake\Clean;

use Linnet\Core\Document\Doc;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Intake\WrittenNumber;
use Linnet\Core\Record\Place;

/** A number as people write it, with a stated sign before the decimals; it may be divided, as pence are to pounds. */
final readonly class Decimal implements Clean
{
    private function __construct(private string $decimal, private int $divide)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('do', 'decimal', 'divide');

        return new self(
            $doc->oneOf('decimal', ['.' => fn (): string => '.', ',' => fn (): string => ',']),
            $doc->has('divide') ? $doc->integer('divide', 1, 1_000_000) : 1,
        );
    }

    public function apply(string|int|float|bool $value, string $path, Place $place): float
    {
        $number = is_int($value) || is_float($value) ? (float) $value : WrittenNumber::parse((string) $value, $this->decimal);

        return $number === null ? throw Refused::value('not_a_number', $path, $value) : $number / $this->divide;
    }

    public function toDocument(): array
    {
        return ['do' => 'number', 'decimal' => $this->decimal] + ($this->divide === 1 ? [] : ['divide' => $this->divide]);
    }
}
