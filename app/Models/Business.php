<?php

declare(strict_types=1);

namespace App\Models;

use Linnet\Core\Document\Doc;
use Linnet\Core\Gate\Policy;
use Linnet\Core\Record;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\Tariff;
use Linnet\Core\Text\Words\ReservedWords;
use Linnet\Core\Time\WeeklyHours;
use Linnet\Core\Time\WorkingDays;

/**
 * @property int $id
 * @property string $install
 * @property string $name
 * @property string $country
 * @property string $zone
 * @property string $locale
 * @property ActivationState $sending
 * @property array<string, mixed> $opening_hours
 * @property array<string, mixed> $policy
 * @property array<string, mixed> $words
 * @property array<string, mixed> $tariff
 * @property Conflicts $conflicts
 * @property list<string> $holidays YYYY-MM-DD
 * @property bool $leap_to_march
 */
final class Business extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'sending' => ActivationState::class, 'opening_hours' => 'array', 'policy' => 'array', 'words' => 'array', 'tariff' => 'array',
            'conflicts' => Conflicts::class, 'holidays' => 'array', 'leap_to_march' => 'boolean',
        ];
    }

    public static function ours(): self
    {
        return self::query()->firstOrFail();
    }

    /** As a request finds it, read once for all that is shown. */
    public static function current(): self
    {
        return resolve(self::class);
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
        $number = Line::query()->whereNotNull('number')->orderBy('id')->value('number');

        return new Record\Business(
            $this->name, $this->zone, 'Reply STOP to hear no more.', Tariff::read(Doc::of($this->tariff)), $this->country, $this->locale,
            $this->openingHours(), WorkingDays::without($this->holidays), $this->leap_to_march, $this->sending,
            is_string($number) ? "To hear no more, text STOP to $number." : null, rtrim(config()->string('app.url'), '/').'/l/',
            $this->install,
        );
    }

    public function currency(): string
    {
        return Tariff::read(Doc::of($this->tariff))->currency;
    }
}
