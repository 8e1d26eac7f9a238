<?php

declare(strict_types=1);

namespace App\Tables;

use Linnet\Core\Intake\Refused;
use Sabre\VObject\Component;
use Sabre\VObject\Parameter;
use Sabre\VObject\ParseException;
use Sabre\VObject\Property;
use Sabre\VObject\Reader;
use Sabre\VObject\Splitter\VCard as Splitter;

/**
 * People as vCards (RFC 6350 and the older 2.1 and 3.0), a row each. What they agreed to stands in properties of our own, as the
 * standard lets programs add (section 6.10): it has none for consent.
 *
 * First and last names are those a card states as such (its N). What it is shown as (FN) may be a company or a number, and stands in a
 * column of its own.
 */
final class VCards
{
    public const COLUMNS = [
        'UID', 'First name', 'Last name', 'Shown as', 'Mobile', 'Other number', 'Email', 'Organisation', 'Address', 'Town', 'Birthday',
        'Note', 'Categories', 'Wants no texts', 'Agreed to offers', 'The words they agreed to', 'When they agreed',
    ];

    /** @var list<string> for the last four columns */
    public const CONSENT = ['X-LINNET-NO-TEXTS', 'X-LINNET-OFFERS', 'X-LINNET-WORDING', 'X-LINNET-AGREED'];

    public static function read(string $path, TableWriter $table): void
    {
        $table->row(self::COLUMNS);
        $file = fopen($path, 'rb') ?: throw new \RuntimeException("Cannot read $path.");
        try {
            $cards = new Splitter($file, Reader::OPTION_FORGIVING | Reader::OPTION_IGNORE_INVALID_LINES);
            while (($card = $cards->getNext()) !== null) {
                $table->row(self::row($card));
            }
        } catch (ParseException $e) {
            throw Refused::because('unreadable', [
                'format' => 'vCard',
                'detail' => mb_substr(mb_scrub($e->getMessage(), 'UTF-8'), 0, 120, 'UTF-8'),
            ]);
        } finally {
            fclose($file);
        }
    }

    /** @return list<string> */
    private static function row(Component $card): array
    {
        $name = self::parts($card, 'N');
        $address = self::parts($card, 'ADR');
        $mobile = $other = '';
        foreach ($card->select('TEL') as $number) {
            $written = trim((string) preg_replace('/^tel:/i', '', $number instanceof Property ? (string) $number : ''));
            if ($mobile === '' && self::isMobile($number)) {
                $mobile = $written;
            } elseif ($other === '') {
                $other = $written;
            }
        }

        return [
            self::text($card, 'UID'), $name[1] ?? '', $name[0] ?? '', self::text($card, 'FN'), $mobile === '' ? $other : $mobile,
            $mobile === '' ? '' : $other, self::text($card, 'EMAIL'), str_replace(';', ', ', trim(self::text($card, 'ORG'), ';')),
            $address[2] ?? '', $address[3] ?? '', self::text($card, 'BDAY'), self::text($card, 'NOTE'), self::text($card, 'CATEGORIES'),
            ...array_map(fn (string $name): string => self::text($card, $name), self::CONSENT),
        ];
    }

    private static function isMobile(mixed $number): bool
    {
        $types = $number instanceof Property ? $number->offsetGet('TYPE') : null;

        return $types instanceof Parameter && preg_match('/cell|mobile|iphone/i', (string) $types->getValue()) === 1;
    }

    private static function text(Component $card, string $name): string
    {
        $found = $card->select($name)[0] ?? null;

        return $found instanceof Property ? trim((string) $found) : '';
    }

    /** @return list<string> */
    private static function parts(Component $card, string $name): array
    {
        $found = $card->select($name)[0] ?? null;

        return $found instanceof Property
            ? array_map(
                fn (mixed $part): string => trim(is_array($part) ? implode(' ', $part) : (string) $part),
                array_values($found->getParts()),
            )
            : [];
    }
}
