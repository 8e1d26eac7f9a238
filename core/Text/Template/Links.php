<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Template;

/** Makes short links, and remembers where they lead. */
final class Links
{
    private const LETTERS = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz';

    /** @var array<string, string> where each leads, by its code */
    private array $made = [];

    /**
     * @param  string  $base  what a link begins with, e.g. https://texts.example/l/
     * @param  string  $salt  keeps links of one installation from being guessed
     */
    public function __construct(private readonly string $base = 'https://links.example/l/', private readonly string $salt = '')
    {
    }

    /** @param  string  $seed the same seed gives the same link */
    public function shorten(string $target, string $seed): string
    {
        $hash = hash('sha256', "$this->salt/$seed/$target", true);
        $code = '';
        for ($i = 0; $i < 10; $i++) {
            $code .= self::LETTERS[ord($hash[$i]) % 62];
        }
        $this->made[$code] = $target;

        return $this->base.$code;
    }

    /** A text with each link as where it leads: the same words to everybody. */
    public function spelt(string $text): string
    {
        return $this->made === []
            ? $text
            : strtr(
                $text,
                array_combine(
                    array_map(fn (string|int $code): string => $this->base.$code, array_keys($this->made)),
                    array_values($this->made),
                ),
            );
    }

    /** @return array<string, string> */
    public function made(): array
    {
        return $this->made;
    }
}
