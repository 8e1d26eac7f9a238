<?php

declare(strict_types=1);

namespace App\Pages\Mapping;

use Linnet\Core\Intake\DateOrder;

/** A cleaning step in words. */
final class CleaningSentence
{
    /** @param  array<string, mixed>  $step  as a document holds it */
    public static function of(array $step): string
    {
        return match ($step['do']) {
            'empty_words' => 'nothing, where it says '.implode(' or ', array_map(fn (string $word): string => "“{$word}”", $step['words'])),
            'map' => 'by a table: '.self::table($step['values'], (string) $step['otherwise']),
            'phone' => "a telephone number, of {$step['country']} if it does not say",
            'find' => 'the first '.
                ['phone' => 'telephone number', 'email' => 'email address', 'link' => 'link', 'number' => 'number'][$step['what']].
                ' in it',
            'date' => 'a date written like '.
                DateOrder::from($step['order'])->example().
                (isset($step['zone']) ? ", by the clock of {$step['zone']}" : ''),
            'unix' => "$step[unit] since 1970",
            'number' => 'a number with a '.
                ($step['decimal'] === ',' ? 'comma' : 'point').
                ' before the decimals'.
                (isset($step['divide']) ? ", divided by $step[divide]" : ''),
            'cut' => 'what stands '.$step['keep'].' the first '.($step['mark'] === ' ' ? 'space' : "“{$step['mark']}”"),
            'letters' => ['upper' => 'in capitals', 'lower' => 'in small letters', 'title' => 'Each Word With A Capital'][$step['as']],
            default => (string) $step['do'],
        };
    }

    /** @param  array<array-key, string>  $values */
    private static function table(array $values, string $otherwise): string
    {
        $pairs = array_map(
            fn (int|string $from, string $to): string => "$from → ".($to === '' ? 'nothing' : $to),
            array_keys($values),
            $values,
        );

        return implode(', ', array_slice($pairs, 0, 6)).
            (count($pairs) > 6 ? ' …' : '').
            ['keep' => '; anything else stays', 'nothing' => '; anything else is nothing', 'refuse' => '; anything else is refused'][
                $otherwise
            ];
    }
}
