<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Slot;

use Linnet\Core\Prose\Reading;
use Linnet\Core\Prose\Token;

/** What stands at the end of a sentence: plain words as they are, anything else in quotes. */
final readonly class Ending implements Slot
{
    public function __construct(private string $kind)
    {
    }

    public function kind(): string
    {
        return $this->kind;
    }

    public function write(mixed $value): ?string
    {
        return is_string($value)
            ? (preg_match('/^\p{L}[\p{L}\p{N}]*(?: [\p{L}\p{N}]+)*$/Du', $value) === 1
                ? $value
                : Token::quote($value))
            : null;
    }

    public function read(Reading $in, int $at): iterable
    {
        $last = count($in->tokens);
        if ($at >= $last) {
            return;
        }
        $quoted = $in->tokens[$at]->quoted();
        if ($quoted !== null) {
            yield [$quoted, $at + 1];
        } elseif (preg_match('/^[\p{L}\p{N} \'’-]+$/Du', trim($in->rest($at))) === 1) {
            yield [trim($in->rest($at)), $last];
        }
    }

    public function suggest(string $written): array
    {
        return [];
    }
}
