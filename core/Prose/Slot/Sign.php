<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Slot;

use Linnet\Core\Prose\Reading;
use Linnet\Core\Prose\Token;

/** What stands as one word without quotes: an address on the web or of mail, a telephone number, a keyword; in quotes otherwise. */
final readonly class Sign implements Slot
{
    /**
     * @param  string  $pattern  what one token must look like to stand without quotes
     * @param  list<string>  $known  those that are offered
     * @param  bool  $quotes  anything may stand in quotes
     */
    private function __construct(private string $kind, private string $pattern, private array $known = [], private bool $quotes = true)
    {
    }

    public static function webAddress(): self
    {
        return new self('web address', '~^https?://~Dui');
    }

    /** @param  list<string>  $known */
    public static function mailAddress(array $known = []): self
    {
        return new self('mail address', '/^[^\s"“”@]+@[^\s"“”@]+$/Du', $known);
    }

    public static function phoneNumber(): self
    {
        return new self('number', '/^\+\d{7,15}$/D', quotes: false);
    }

    public static function keyword(): self
    {
        return new self('keyword', '/^(?!(?:or|to|and|something|a|an|the|while|from|typing|that|in)$)[\p{L}\p{N}]+$/Dui');
    }

    public function kind(): string
    {
        return $this->kind;
    }

    public function write(mixed $value): ?string
    {
        if (! is_string($value)) {
            return null;
        }
        $tokens = Token::all($value);

        return count($tokens) === 1 && $tokens[0]->text === $value && preg_match($this->pattern, $value) === 1
            ? $value
            : ($this->quotes
                ? Token::quote($value)
                : null);
    }

    public function read(Reading $in, int $at): iterable
    {
        $token = $in->tokens[$at] ?? null;
        $quoted = $this->quotes ? $token?->quoted() : null;
        $value =
            $token === null
                ? null
                : ($this->kind === 'mail address' && $quoted !== null && ! str_contains($quoted, '@') ? null : $quoted) ??
                    (preg_match($this->pattern, $token->text) === 1 ? $token->text : null);
        if ($value !== null) {
            yield [$value, $at + 1];
        }
    }

    public function suggest(string $written): array
    {
        return array_values(array_filter($this->known, fn (string $one): bool => str_starts_with($one, trim($written))));
    }
}
