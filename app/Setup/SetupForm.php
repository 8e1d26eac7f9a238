<?php

declare(strict_types=1);

namespace App\Setup;

use Illuminate\Support\Facades\Validator;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/**
 * What has to be known of a business and its first administrator, from the first page or the command.
 *
 * @phpstan-type Said array{
 *   business: string, country: string, zone: string, currency: string, name: string, email: string, password: string}
 */
final class SetupForm
{
    private const WORDS = [
        'business.required' => 'Say what the business is called: its texts carry the name.',
        'country.*' => 'Choose the country it is in.',
        'zone.*' => 'Choose its time zone, such as Europe/London.',
        'currency.*' => 'Choose the currency its prices are in.',
        'name.required' => 'Say who you are.',
        'email.*' => 'Give an email address to log in with.',
        'password.required' => 'Choose a password.',
        'password.min' => 'Take at least 10 characters.',
    ];

    /**
     * @param  array<array-key, mixed>  $typed
     * @return Said
     *
     * @throws ValidationException
     */
    public static function read(#[\SensitiveParameter] array $typed): array
    {
        /** @var Said */
        return Validator::make($typed, self::ofBusiness() + [
            'currency' => ['required', 'string', Rule::in(array_keys(self::currencies()))],
            'name' => 'required|string|max:80',
            'email' => 'required|email|max:120',
            'password' => 'required|string|min:10|max:200',
        ], self::WORDS)->validate();
    }

    /**
     * What may be changed of it later.
     *
     * @param  array<array-key, mixed>  $typed
     * @return array{business: string, country: string, zone: string}
     *
     * @throws ValidationException
     */
    public static function readBusiness(array $typed): array
    {
        /** @var array{business: string, country: string, zone: string} */
        return Validator::make($typed, self::ofBusiness(), self::WORDS)->validate();
    }

    /** @return array<string, mixed> */
    private static function ofBusiness(): array
    {
        return [
            'business' => 'required|string|max:80',
            'country' => ['required', 'string', Rule::in(array_keys(self::countries()))],
            'zone' => ['required', 'string', Rule::in(\DateTimeZone::listIdentifiers())],
        ];
    }

    /** @return array<string, string> by ISO 3166-1 alpha-2, in the order of their names */
    public static function countries(): array
    {
        $names = [];
        foreach (\ResourceBundle::create('en', 'ICUDATA-region')?->get('Countries') ?? [] as $code => $name) {
            // Those that have a clock of their own: groups of countries and what is no country have none.
            if (preg_match('/^[A-Z]{2}$/D', (string) $code) === 1 && self::zonesOf((string) $code) !== []) {
                $names[(string) $code] = (string) $name;
            }
        }
        asort($names);

        return $names;
    }

    /** @return array<string, string> those in use, by ISO 4217 */
    public static function currencies(): array
    {
        $names = [];
        foreach (array_keys(self::countries()) as $country) {
            $code = (new \NumberFormatter("en_$country", \NumberFormatter::CURRENCY))->getTextAttribute(\NumberFormatter::CURRENCY_CODE);
            // Where there is none, ISO 4217 says so with three times the same letter.
            if (preg_match('/^(?!X{3})[A-Z]{3}$/D', (string) $code) === 1) {
                $names[(string) $code] = (string) $code;
            }
        }
        ksort($names);

        return $names;
    }

    /** @return list<string> */
    private static function zonesOf(string $country): array
    {
        try {
            return \DateTimeZone::listIdentifiers(\DateTimeZone::PER_COUNTRY, $country);
        } catch (\ValueError) {
            return [];
        }
    }
}
