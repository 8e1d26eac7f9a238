<?php

declare(strict_types=1);

namespace Linnet\Core\Intake\Clean;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Record\Place;

/** Words that mean there is nothing, such as "null" or "N/A". */
final readonly class EmptyWords implements Clean
{
    /** @param  list<string>  $words */
    private function __construct(private array $words)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('do', 'words');

        return new self(
            $doc->each(
                'words',
                fn (Doc $word): string => is_string($word->value) ? trim($word->value) : throw Unreadable::at($word->path, 'text_expected'),
                1, 50,
            ),
        );
    }

    public function apply(string|int|float|bool $value, string $path, Place $place): string|int|float|bool|null
    {
        $folded = mb_strtolower(trim((string) $value), 'UTF-8');

        return in_array($folded, array_map(fn (string $word): string => mb_strtolower($word, 'UTF-8'), $this->words), true) ? null : $value;
    }

    public function toDocument(): array
    {
        return ['do' => 'empty_words', 'words' => $this->words];
    }
}
