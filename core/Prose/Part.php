<?php

declare(strict_types=1);

namespace Linnet\Core\Prose;

/** A piece of a sentence: fixed words, or words that can be changed. */
final readonly class Part
{
    /**
     * @param  string|null  $kind  what can be put in its place, such as "time" or "line"; null for fixed words
     * @param  mixed  $value  what stands for it in the document
     */
    public function __construct(public string $text, public ?string $kind = null, public mixed $value = null)
    {
    }

    /**
     * The pieces as one text: a space between any two, but before a sign that closes and behind one that opens.
     *
     * @param  list<self>  $parts
     */
    public static function join(array $parts): string
    {
        $text = '';
        foreach ($parts as $part) {
            $text .= (self::isApart($text, $part->text) ? ' ' : '').$part->text;
        }

        return $text;
    }

    public static function isApart(string $before, string $text): bool
    {
        return $before !== '' && $text !== '' && ! str_ends_with($before, '(') && ! in_array($text[0], [',', '.', ':', ';', ')'], true);
    }
}
