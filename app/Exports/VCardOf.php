<?php

declare(strict_types=1);

namespace App\Exports;

use App\Models\Number;
use App\Models\Person;
use Illuminate\Database\Eloquent\Builder;
use Linnet\Core\Number\NumberKind;
use Sabre\VObject\Component\VCard;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** People as vCards (RFC 6350, version 4.0). */
final class VCardOf
{
    /** @param  Builder<Person>  $query */
    public static function people(Builder $query): StreamedResponse
    {
        return new StreamedResponse(function () use ($query): void {
            foreach ($query->with('numbers')->lazyById(500) as $person) {
                echo self::card($person);
            }
        }, 200, ['Content-Type' => 'text/vcard; charset=UTF-8', 'Content-Disposition' => 'attachment; filename="people.vcf"', 'Cache-Control' => 'no-store']);
    }

    private static function card(Person $person): string
    {
        $card = new VCard(['VERSION' => '4.0', 'PRODID' => '-//Linnet//EN', 'UID' => "urn:linnet:person:$person->id", 'FN' => $person->name(), 'N' => [(string) $person->last_name, (string) $person->first_name, '', '', '']]);
        foreach ($person->numbers->sortByDesc('rank') as $number) {
            /** @var Number $number */
            $card->add('TEL', "tel:$number->e164", ['VALUE' => 'uri', 'TYPE' => $number->kind === NumberKind::Landline ? 'voice' : 'cell']);
        }
        if ($person->email !== null) {
            $card->add('EMAIL', $person->email);
        }
        if ($person->zone !== null) {
            $card->add('TZ', $person->zone);
        }

        return $card->serialize();
    }
}
