<?php

declare(strict_types=1);

namespace Linnet\Core\Gate;

use Linnet\Core\Document\Doc;

/** What a part costs, by the country it goes to. Prices are whole millionths of the currency's unit. */
final readonly class Tariff
{
    /** @param  array<string, int>  $perPart by ISO 3166-1 alpha-2 */
    private function __construct(public string $currency, private array $perPart, private int $elsewhere)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('currency', 'per_part', 'elsewhere');
        $table = $doc->object('per_part');
        $perPart = [];
        foreach (array_keys(is_array($table->value) ? $table->value : []) as $country) {
            $perPart[(string) $country] = $table->integer((string) $country, 0, 100_000_000);
        }

        return new self($doc->text('currency', 3), $perPart, $doc->integer('elsewhere', 0, 100_000_000));
    }

    /** @return int millionths */
    public function price(string $country, int $parts): int
    {
        return ($this->perPart[$country] ?? $this->elsewhere) * $parts;
    }
}
