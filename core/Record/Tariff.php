<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;

/** What texts cost, by country, kind and direction. Prices are whole millionths of the currency's unit, or of a credit. */
final readonly class Tariff
{
    private const MOST = 1_000_000_000;

    /**
     * @param  string  $currency  ISO 4217, or "credits"
     * @param  array<string, int>  $perPart  a part that goes out, by ISO 3166-1 alpha-2
     * @param  array<string, int>  $inbound  a part that comes in
     * @param  array<string, int>  $picture  a text with a picture, whatever its length
     */
    private function __construct(
        public string $currency,
        private array $perPart,
        private int $elsewhere,
        private array $inbound,
        private int $inboundElsewhere,
        private array $picture,
        private int $pictureElsewhere,
    ) {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('currency', 'per_part', 'elsewhere', 'inbound', 'inbound_elsewhere', 'picture', 'picture_elsewhere');
        $other = fn (string $key): int => $doc->has($key) ? $doc->integer($key, 0, self::MOST) : 0;
        /** @var array{string, array<string, int>, int, array<string, int>, int, array<string, int>, int} $read */
        $read = $doc->gather([
            fn (): string => $doc->self(
                fn (mixed $v): ?string => is_array($v) &&
                is_string($v['currency'] ?? null) &&
                preg_match('/^([A-Z]{3}|credits)$/D', $v['currency']) === 1
                    ? $v['currency']
                    : null,
                'currency_expected',
            ),
            fn (): array => self::table($doc, 'per_part'),
            fn (): int => $doc->integer('elsewhere', 0, self::MOST),
            fn (): array => $doc->has('inbound') ? self::table($doc, 'inbound') : [],
            fn (): int => $other('inbound_elsewhere'),
            fn (): array => $doc->has('picture') ? self::table($doc, 'picture') : [],
            fn (): int => $other('picture_elsewhere'),
        ]);

        return new self(...$read);
    }

    /** @return int millionths */
    public function price(string $country, int $parts, bool $picture = false): int
    {
        return $picture ? $this->picture[$country] ?? $this->pictureElsewhere : ($this->perPart[$country] ?? $this->elsewhere) * $parts;
    }

    /** @return int millionths */
    public function inbound(string $country, int $parts): int
    {
        return ($this->inbound[$country] ?? $this->inboundElsewhere) * $parts;
    }

    /** @return array<string, int> */
    private static function table(Doc $doc, string $key): array
    {
        $table = $doc->object($key);
        $prices = [];
        foreach (array_keys(is_array($table->value) ? $table->value : []) as $country) {
            $country = (string) $country;
            $prices[$country] = preg_match('/^[A-Z]{2}$/D', $country) === 1
                ? $table->integer($country, 0, self::MOST)
                : throw Unreadable::at("$table->path.$country", 'country_expected');
        }

        return $prices;
    }
}
