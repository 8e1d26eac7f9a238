<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Slot;

use Linnet\Core\Prose\Reading;

/** A number, with the sign or code of a currency where it is money. */
final readonly class Amount implements Slot
{
    private const SIGNS = ['GBP' => '£', 'EUR' => '€', 'USD' => '$', 'JPY' => '¥', 'INR' => '₹'];

    /** @param  string|null  $currency  ISO 4217; null for a plain number */
    public function __construct(private ?string $currency = null)
    {
    }

    public function kind(): string
    {
        return $this->currency === null ? 'number' : 'money';
    }

    public function write(mixed $value): ?string
    {
        if (! is_int($value) && ! is_float($value)) {
            return null;
        }
        $number = Numerals::write($value);
        $sign = self::SIGNS[$this->currency ?? ''] ?? null;

        return match (true) {
            $this->currency === null => $number,
            $sign === null => "$number $this->currency",
            default => $sign.$number,
        };
    }

    public function read(Reading $in, int $at): iterable
    {
        $sign = $this->currency === null ? null : self::SIGNS[$this->currency] ?? null;
        $at += $sign !== null && ($in->tokens[$at]->text ?? '') === $sign ? 1 : 0;
        $number = isset($in->tokens[$at]) ? Numerals::number($in->tokens[$at]->folded) : null;
        if ($number === null) {
            return;
        }
        yield [$number, $at + 1];
        if ($this->currency !== null && strtoupper($in->tokens[$at + 1]->text ?? '') === $this->currency) {
            yield [$number, $at + 2];
        }
    }

    public function suggest(string $written): array
    {
        return array_values(
            array_filter(
                array_map(fn (int $one): string => (string) $this->write($one), [1, 10, 100, 1000]),
                fn (string $one): bool => str_starts_with($one, trim($written)),
            ),
        );
    }
}
