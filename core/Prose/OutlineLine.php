<?php

declare(strict_types=1);

namespace Linnet\Core\Prose;

/** A line of a rule's text that is not empty. */
final readonly class OutlineLine
{
    /**
     * @param  int  $number  from 1
     * @param  int  $indent  in columns
     * @param  int  $column  of its first character, from 1
     * @param  bool  $isWords  it holds words of a text, behind a stroke
     */
    private function __construct(public string $text, public int $number, public int $indent, public int $column, public bool $isWords)
    {
    }

    public static function of(string $raw, int $number): ?self
    {
        preg_match('/^[ \t]*/', $raw, $space);
        $indent = strlen(str_replace("\t", '  ', $space[0] ?? ''));
        $text = substr($raw, strlen($space[0] ?? ''));
        if (str_starts_with($text, '|')) {
            return new self(substr($text, str_starts_with($text, '| ') ? 2 : 1), $number, $indent, $indent + 3, true);
        }

        return trim($text) === '' ? null : new self(rtrim($text), $number, $indent, $indent + 1, false);
    }
}
