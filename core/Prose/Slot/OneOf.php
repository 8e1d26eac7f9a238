<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Slot;

use Linnet\Core\Prose\Reading;
use Linnet\Core\Prose\Token;

/**
 * One of several values, each with a name. Where names are given by people, one that could be mistaken for other words stands in quotes.
 */
final class OneOf implements Slot
{
    /** Words that a name without quotes may not hold: sentences go on with them. */
    private const JOINTS = [
        'and', 'or', 'to', 'from', 'of', 'whose', 'then', 'until', 'within', 'nothing', 'yes', 'no', 'true', 'false', 'a', 'an', 'the',
    ];

    /** Words with which a name without quotes may not begin: sentences have them at its place. */
    private const BEGINNINGS = [
        'not', 'line', 'owner', 'one', 'known', 'field', 'staff', 'member', 'whoever', 'person', 'them', 'their', 'record', 'records',
    ];

    /**
     * @var array<string, list<array{list<string>, int}>>|null the tokens of each name and its number, by its first token, the longest
     * first
     */
    private ?array $byFirst = null;

    /** @var array<int, string>|null each name in its settled form */
    private ?array $settled = null;

    /**
     * @param  list<array{string, mixed}>  $values  name and value
     * @param  string  $article  before each name: free to read
     * @param  bool  $areNames  they are given by people: quotes where needed, and a value without a name stands as it is, in quotes
     * @param  bool  $quotes  quotes around all of them
     * @param  bool  $isOpen  a value without a name is one too
     */
    public function __construct(
        private readonly string $kind,
        private readonly array $values,
        private readonly string $article = '',
        private readonly bool $areNames = false,
        private readonly bool $quotes = false,
        private readonly bool $isOpen = true,
    ) {
    }

    /** @param  array<array-key, string>  $names  by value */
    public static function names(string $kind, array $names, string $article = '', bool $quotes = false, bool $isOpen = true): self
    {
        return new self(
            $kind,
            array_map(fn (int|string $value, string $name): array => [$name, (string) $value], array_keys($names), array_values($names)),
            $article, true, $quotes, $isOpen,
        );
    }

    /** @param  array<string, mixed>  $values  by the words that stand for them */
    public static function words(string $kind, array $values): self
    {
        return new self(
            $kind,
            array_map(fn (string $words, mixed $value): array => [$words, $value], array_keys($values), array_values($values)),
        );
    }

    /**
     * Without the names that two share.
     *
     * @param  list<array{string, string}>  $names  with their values
     * @return list<array{string, string}>
     */
    public static function distinct(array $names): array
    {
        $times = array_count_values(array_map(fn (array $one): string => Token::fold($one[0]), $names));

        return array_values(array_filter($names, fn (array $one): bool => $times[Token::fold($one[0])] === 1));
    }

    public function kind(): string
    {
        return $this->kind;
    }

    public function write(mixed $value): ?string
    {
        foreach ($this->values as $i => [, $one]) {
            if ($one === $value) {
                return $this->settled()[$i];
            }
        }

        if (! $this->areNames || ! $this->isOpen || ! is_string($value)) {
            return null;
        }

        return $this->named($value) === [] ? trim($this->article.' '.Token::quote($value)) : self::knownAs($this->article, $value);
    }

    public function read(Reading $in, int $at): iterable
    {
        if ($this->article !== '' && in_array($in->tokens[$at]->folded ?? '', ['the', 'a', 'an'], true)) {
            $at++;
            array_map(fn (string $name) => $in->expectWords($at, $this->bare($name)), $this->settled());
        }
        $token = $in->tokens[$at] ?? null;
        if ($token === null) {
            return;
        }
        $raw =
            $this->areNames && $token->folded === 'known' && ($in->tokens[$at + 1]->folded ?? '') === 'as'
                ? ($in->tokens[$at + 2] ?? null)?->quoted()
                : null;
        if ($raw !== null && ($this->isOpen || in_array($raw, array_column($this->values, 1), true))) {
            yield [$raw, $at + 3];
        }
        $quoted = $this->areNames ? $token->quoted() : null;
        if ($quoted !== null) {
            $named = $this->named($quoted);
            foreach ($named === [] && $this->isOpen ? [$quoted] : $named as $value) {
                yield [$value, $at + 1];
            }
        }
        foreach ($this->byFirst()[$token->folded] ?? [] as [$tokens, $i]) {
            foreach ($tokens as $k => $one) {
                if (($in->tokens[$at + $k]->folded ?? null) !== $one) {
                    if ($k > 0) {
                        $in->expectWords($at + $k, implode(' ', array_slice($tokens, $k)));
                    }

                    continue 2;
                }
            }
            yield [$this->values[$i][1], $at + count($tokens)];
        }
    }

    public function suggest(string $written): array
    {
        $begun = Token::fold(ltrim($written));

        return array_values(
            array_filter(
                $this->settled(),
                fn (string $name): bool => $begun === '' ||
                    str_starts_with(Token::fold($name), $begun) ||
                    str_starts_with(Token::fold($this->bare($name)), $begun) ||
                    str_starts_with(ltrim(Token::fold($this->bare($name)), '"'), ltrim($begun, '"')),
            ),
        );
    }

    /** @return array<string, list<array{list<string>, int}>> */
    private function byFirst(): array
    {
        if ($this->byFirst === null) {
            $this->byFirst = [];
            foreach ($this->values as $i => [$name]) {
                $tokens = array_column(Token::all($name), 'folded');
                if ($tokens !== []) {
                    $this->byFirst[$tokens[0]][] = [$tokens, $i];
                }
            }
            foreach ($this->byFirst as $first => $names) {
                usort($names, fn (array $a, array $b): int => count($b[0]) <=> count($a[0]));
                $this->byFirst[$first] = $names;
            }
        }

        return $this->byFirst;
    }

    /** @return array<int, string> */
    private function settled(): array
    {
        if ($this->settled === null) {
            $times = array_count_values(array_map(fn (array $one): string => Token::fold($one[0]), $this->values));
            $this->settled = array_map(fn (array $one): string => match (true) {
                $this->areNames && $times[Token::fold($one[0])] > 1 => self::knownAs($this->article, $one[1]),
                ! $this->areNames || (! $this->quotes && self::isPlain($one[0])) => trim("$this->article $one[0]"),
                default => trim($this->article.' '.Token::quote($one[0])),
            }, $this->values);
        }

        return $this->settled;
    }

    /** A name in its settled form, without the article. */
    private function bare(string $name): string
    {
        return $this->article !== '' && str_starts_with($name, "$this->article ") ? substr($name, strlen($this->article) + 1) : $name;
    }

    /** A value whose name could be another's. */
    private static function knownAs(string $article, mixed $value): string
    {
        return trim("$article known as ".Token::quote(is_string($value) ? $value : ''));
    }

    /** @return list<mixed> */
    private function named(string $name): array
    {
        $exact = array_filter($this->values, fn (array $one): bool => $one[0] === $name);

        return array_column(
            $exact === [] ? array_filter($this->values, fn (array $one): bool => Token::fold($one[0]) === Token::fold($name)) : $exact,
            1,
        );
    }

    private static function isPlain(string $name): bool
    {
        $tokens = array_column(Token::all($name), 'folded');

        return preg_match('/^[\p{L}\p{N}][\p{L}\p{N}\'’ -]*$/Du', $name) === 1 &&
            array_intersect($tokens, self::JOINTS) === [] &&
            ! in_array($tokens[0], self::BEGINNINGS, true) &&
            preg_match('/^[\d ]/', $name) !== 1 &&
            ! str_contains($name, '  ') &&
            ! str_ends_with($name, ' ');
    }
}
