<?php

declare(strict_types=1);

namespace App\Engine;

use App\Models\Business;
use App\Models\Consent;
use App\Models\Person;
use Linnet\Core\Number\NumberKind;
use Linnet\Core\Record\Receiver;

/** Reads what sending asks about a person. */
final class Profiles
{
    public function receiver(Person $person, Business $business): Receiver
    {
        $number = $person->number;
        $zones = match (true) {
            $person->zone !== null => [$person->zone],
            $number !== null => $number->zones,
            default => [$business->zone],
        };

        return new Receiver(
            who: $person->called(),
            number: $number?->e164,
            country: $number->country ?? $business->country,
            kind: $number->kind ?? NumberKind::Unknown,
            alive: $number?->alive,
            zone: in_array($business->zone, $zones, true) ? $business->zone : $zones[0],
            zones: $zones,
            locale: $person->locale ?? $business->locale,
            optedOut: $number !== null && self::lastWord($number->e164, 'all') === 'withdrawn',
            optedIn: $number !== null && self::lastWord($number->e164, 'marketing') === 'granted',
        );
    }

    /** The newest entry of the ledger about a number within a scope, or null. */
    private static function lastWord(string $number, string $scope): ?string
    {
        $act = Consent::query()->where('number', $number)->where('scope', $scope)->orderByDesc('id')->value('act');

        return is_string($act) ? $act : null;
    }
}
