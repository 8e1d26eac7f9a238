<?php

declare(strict_types=1);

namespace Linnet\Core\Intake\Clean;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Record\Place;

/** The part of a text before or after a mark's first place, such as the first name in "Haddad, Noor"; the whole where it has no mark. */
final readonly class Cut implements Clean
{
    /** @param  non-empty-string  $mark */
    private function __construct(private string $mark, private Side $keep)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('do', 'mark', 'keep');
        $mark = $doc->get('mark')->value;

        return is_string($mark) && $mark !== '' && mb_strlen($mark, 'UTF-8') <= 20
            ? new self($mark, $doc->choice('keep', Side::class))
            : throw Unreadable::at("$doc->path.mark", 'text_expected');
    }

    public function apply(string|int|float|bool $value, string $path, Place $place): string
    {
        $parts = explode($this->mark, (string) $value, 2);

        return trim($this->keep === Side::Before ? $parts[0] : ($parts[1] ?? $parts[0]));
    }

    public function toDocument(): array
    {
        return ['do' => 'cut', 'mark' => $this->mark, 'keep' => $this->keep->value];
    }
}
