<?php

declare(strict_types=1);

namespace Linnet\Core\Intake\Clean;

use Linnet\Core\Document\Doc;
use Linnet\Core\Record\Place;

/** Capitals and small letters made even, as for names typed all in capitals. */
final readonly class Letters implements Clean
{
    private function __construct(private LetterCase $as)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('do', 'as');

        return new self($doc->choice('as', LetterCase::class));
    }

    public function apply(string|int|float|bool $value, string $path, Place $place): string
    {
        return mb_convert_case((string) $value, match ($this->as) {
            LetterCase::Upper => MB_CASE_UPPER, LetterCase::Lower => MB_CASE_LOWER, LetterCase::Title => MB_CASE_TITLE,
        }, 'UTF-8');
    }

    public function toDocument(): array
    {
        return ['do' => 'letters', 'as' => $this->as->value];
    }
}
