<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Slot;

use Linnet\Core\Prose\Reading;
use Linnet\Core\Prose\Token;

/** Words of somebody's own, in quotes. */
final readonly class Quoted implements Slot
{
    public function __construct(private string $kind = 'words')
    {
    }

    public function kind(): string
    {
        return $this->kind;
    }

    public function write(mixed $value): ?string
    {
        return is_string($value) ? Token::quote($value) : null;
    }

    public function read(Reading $in, int $at): iterable
    {
        $quoted = ($in->tokens[$at] ?? null)?->quoted();
        if ($quoted !== null) {
            yield [$quoted, $at + 1];
        }
    }

    public function suggest(string $written): array
    {
        return trim($written) === '' ? ['"…"'] : [];
    }
}
