<?php

declare(strict_types=1);

namespace App\Models;

use Linnet\Core\Document\Doc;
use Linnet\Core\Gate\Policy;
use Linnet\Core\Gate\Power;
use Linnet\Core\Gate\Tariff;
use Linnet\Core\Record;
use Linnet\Core\Text\Words\ReservedWords;
use Linnet\Core\Time\WeeklyHours;

/**
 * @property int $id
 * @property string $install
 * @property string $name
 * @property string $country
 * @property string $zone
 * @property string $locale
 * @property Power $sending
 * @property array<string, mixed> $opening_hours
 * @property array<string, mixed> $policy
 * @property array<string, mixed> $words
 * @property array<string, mixed> $tariff
 */
final class Business extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['sending' => Power::class, 'opening_hours' => 'array', 'policy' => 'array', 'words' => 'array', 'tariff' => 'array'];
    }

    public static function ours(): self
    {
        return self::query()->firstOrFail();
    }

    public function openingHours(): WeeklyHours
    {
        return WeeklyHours::read(Doc::of($this->opening_hours));
    }

    public function gatePolicy(): Policy
    {
        return Policy::read(Doc::of($this->policy));
    }

    public function reservedWords(): ReservedWords
    {
        return ReservedWords::read(Doc::of($this->words));
    }

    public function asSender(): Record\Business
    {
        return new Record\Business($this->name, $this->zone, 'Reply STOP to hear no more.', Tariff::read(Doc::of($this->tariff)));
    }

    public function currency(): string
    {
        return Tariff::read(Doc::of($this->tariff))->currency;
    }
}
