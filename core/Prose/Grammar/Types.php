<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Grammar;

use Linnet\Core\Prose\Phrase\Phrase;
use Linnet\Core\Prose\Slot\OneOf;
use Linnet\Core\Prose\Slot\Quoted;
use Linnet\Core\Prose\Vocabulary\TypeWords;
use Linnet\Core\Prose\Vocabulary\Vocabulary;

/** Record types by their nouns. */
final class Types
{
    /** @var array<string, Phrase> */
    private array $made = [];

    public function __construct(private readonly Vocabulary $words)
    {
    }

    /** "a booking", "an order", "a person". */
    public function a(string $key): Phrase
    {
        return $this->made["a $key"] ??= $this->phrase(
            $key, fn (TypeWords $type): string => Make::a($type->noun), 'a record of the type', fn (TypeWords $type): string => $type->noun,
        );
    }

    /** "booking", behind "no", "every" or "their next". */
    public function bare(string $key): Phrase
    {
        return $this->made["bare $key"] ??= $this->phrase(
            $key, fn (TypeWords $type): string => $type->noun, 'record of the type', fn (TypeWords $type): string => $type->nouns,
        );
    }

    /**
     * @param  \Closure(TypeWords): string  $said
     * @param  \Closure(TypeWords): string  $also
     */
    private function phrase(string $key, \Closure $said, string $else, \Closure $also): Phrase
    {
        $types = array_values($this->words->types);

        return Make::any(
            Make::slot(
                $key,
                new OneOf('type', OneOf::distinct(array_map(fn (TypeWords $type): array => [$said($type), $type->key], $types))),
            ),
            Make::also(
                Make::slot(
                    $key,
                    new OneOf('type', OneOf::distinct(array_map(fn (TypeWords $type): array => [$also($type), $type->key], $types))),
                ),
            ),
            Make::last($else, Make::slot($key, new Quoted)),
        );
    }
}
