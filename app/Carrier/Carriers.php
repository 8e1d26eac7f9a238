<?php

declare(strict_types=1);

namespace App\Carrier;

/** The carriers that lines name, each made by its driver. */
final class Carriers
{
    /** The one that lines name where nobody says otherwise. */
    public const MAIN = 'main';

    /** @var array<string, Carrier> */
    private array $made = [];

    /** @param  array<string, array{driver: string, url: string, secret: string, timeout_seconds: int, takes_keys: bool}>  $described */
    public function __construct(private readonly array $described)
    {
    }

    /** All lines by one, such as one that is played within the process. */
    public static function just(Carrier $carrier): self
    {
        $carriers = new self([]);
        $carriers->made[self::MAIN] = $carrier;

        return $carriers;
    }

    /** @return list<string> */
    public function names(): array
    {
        return array_values(array_unique([self::MAIN, ...array_keys($this->described), ...array_keys($this->made)]));
    }

    public function of(string $name): Carrier
    {
        return $this->made[$name] ??= $this->create($this->described[$name] ?? null);
    }

    /** @param  array{driver: string, url: string, secret: string, timeout_seconds: int, takes_keys: bool}|null  $described */
    private function create(?array $described): Carrier
    {
        return match ($described['driver'] ?? null) {
            'http' => new HttpCarrier($described['url'], $described['secret'], $described['timeout_seconds'], $described['takes_keys']),
            default => new NoCarrier,
        };
    }
}
