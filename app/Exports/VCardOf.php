<?php

declare(strict_types=1);

namespace App\Exports;

use App\Models\Consent;
use App\Models\Number;
use App\Models\Person;
use App\Tables\VCards;
use Illuminate\Database\Eloquent\Builder;
use Linnet\Core\Number\NumberKind;
use Sabre\VObject\Component\VCard;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** People as vCards (RFC 6350, version 4.0), with what they agreed to and its proof. */
final class VCardOf
{
    /** @param  Builder<Person>  $query */
    public static function people(Builder $query): StreamedResponse
    {
        return new StreamedResponse(
            function () use ($query): void {
                foreach (
                    $query
                        ->with(['number', 'numbers'])
                        ->lazyById(500)
                        ->chunk(500) as $people
                ) {
                    $last = PeopleRows::lastWords($people->collect());
                    foreach ($people as $person) {
                        echo self::card($person, $last);
                    }
                }
            },
            200,
            [
                'Content-Type' => 'text/vcard; charset=UTF-8',
                'Content-Disposition' => 'attachment; filename="people.vcf"',
                'Cache-Control' => 'no-store',
            ],
        );
    }

    /** A card must be shown as something (RFC 6350, section 6.2.1); a number is nobody's name. */
    private static function shownAs(Person $person): string
    {
        $name = trim("$person->first_name $person->last_name");

        return $name !== '' ? $name : ($person->email ?? 'No name');
    }

    /** @param  array<string, Consent>  $last  the newest entry by number and scope */
    private static function card(Person $person, array $last): string
    {
        $card = new VCard([
            'VERSION' => '4.0', 'PRODID' => '-//Linnet//EN', 'UID' => "urn:linnet:person:$person->id", 'FN' => self::shownAs($person),
            'N' => [(string) $person->last_name, (string) $person->first_name, '', '', ''],
        ]);
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
        $number = $person->number?->e164;
        $offers = $last["$number/marketing"] ?? null;
        $said = [
            ($last["$number/all"] ?? null)?->act === 'withdrawn' ? 'yes' : null,
            $offers === null ? null : ($offers->act === 'granted' ? 'yes' : 'no'), $offers?->wording, $offers?->at->format(DATE_ATOM),
        ];
        foreach (array_filter(array_combine(VCards::CONSENT, $said)) as $name => $value) {
            // Without its type it would not be escaped.
            $card->add($name, $value, ['VALUE' => 'TEXT']);
        }

        return $card->serialize();
    }
}
