<?php

declare(strict_types=1);

namespace Linnet\Core\Intake\Clean;

use Linnet\Core\Document\Doc;
use Linnet\Core\Record\Place;

/** The first telephone number, e-mail address, link or number inside a longer text. */
final readonly class Find implements Clean
{
    private function __construct(private Sought $what)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('do', 'what');

        return new self($doc->choice('what', Sought::class));
    }

    public function apply(string|int|float|bool $value, string $path, Place $place): ?string
    {
        return preg_match($this->what->pattern(), (string) $value, $found) === 1 ? trim($found[0]) : null;
    }

    public function toDocument(): array
    {
        return ['do' => 'find', 'what' => $this->what->value];
    }
}
