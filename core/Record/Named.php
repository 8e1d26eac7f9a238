<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

/** A person whom a field leads to, as far as their name goes. */
final readonly class Named implements Somebody
{
    private function __construct(private ?string $first, private ?string $last)
    {
    }

    /** @return self|null null where no name is known: a number is nobody's, so a text that would say one says what it has instead */
    public static function of(mixed $first, mixed $last): ?self
    {
        [$first, $last] = array_map(fn (mixed $one): ?string => is_string($one) && $one !== '' ? $one : null, [$first, $last]);

        return $first === null && $last === null ? null : new self($first, $last);
    }

    public function part(string $key): ?string
    {
        return match ($key) {
            'name' => (string) $this,
            'first_name' => $this->first,
            'last_name' => $this->last,
            default => null,
        };
    }

    public function __toString(): string
    {
        return implode(' ', array_filter([$this->first, $this->last], fn (?string $one): bool => $one !== null));
    }
}
