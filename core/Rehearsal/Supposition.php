<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal;

use Linnet\Core\Time\Span;

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
}
