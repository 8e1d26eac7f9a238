<?php

declare(strict_types=1);

namespace App\Intake;

use App\Models\Business;
use App\Models\Import;
use App\Tables\TableReader;
use Linnet\Core\Document\Doc;
use Linnet\Core\Intake\Mapping;
use Linnet\Core\Intake\Path;
use Linnet\Core\Record\Field;

/** The mapping a file begins with: columns whose names say plainly what they are. */
final class FirstMapping
{
    /** What columns are called that hold what every person has. */
    private const NAMES = [
        'person.number' => ['number', 'phone', 'telephone', 'tel', 'mobile', 'mobile number', 'phone number', 'cell'],
        'person.email' => ['email', 'e mail', 'mail', 'email address', 'organiser email'],
        'person.first_name' => ['first name', 'firstname', 'given name', 'forename'],
        'person.last_name' => ['last name', 'lastname', 'surname', 'family name'],
        'person.external_id' => ['customer', 'customer id', 'customer number', 'uid'],
        'external_id' => ['id', 'reference', 'ref', 'name', 'booking id', 'order id'],
        'consent.marketing' => ['marketing', 'opted in', 'opt in', 'agreed to offers', 'offers'],
        'consent.stopped' => ['opted out', 'opt out', 'stopped', 'wants no texts'],
        'consent.wording' => ['consent wording', 'the words they agreed to', 'wording'],
        'consent.at' => ['consent date', 'when they agreed', 'agreed on'],
        'version' => ['changed', 'last modified', 'updated', 'updated at'],
    ];

    public static function of(Import $import, string $type, Business $business): Mapping
    {
        $mapping = self::none($type, $business);
        $targets = Deliveries::targets($mapping);
        $row = TableReader::head($import, 1)[0] ?? [];
        foreach ($targets as $target => $field) {
            foreach ($import->columns ?? [] as $column) {
                if (in_array(self::plain($column), self::names($target, $field), true)) {
                    $mapping = (new MappingEdit($mapping, $targets, $row))->apply([
                        'part' => 'take',
                        'target' => $target,
                        'at' => (string) Path::of([$column]),
                    ]);
                    break;
                }
            }
        }

        return $mapping;
    }

    /** Nothing put anywhere yet. */
    public static function none(string $type, Business $business): Mapping
    {
        return Mapping::read(
            Doc::of([
                'type' => $type, 'country' => $business->country, 'zone' => $business->zone, 'fields' => [], 'known_people' => 'fill',
            ]),
        );
    }

    /** @return list<string> */
    private static function names(string $target, Field $field): array
    {
        return [mb_strtolower($field->name, 'UTF-8'), str_replace('_', ' ', $field->key), ...(self::NAMES[$target] ?? [])];
    }

    private static function plain(string $name): string
    {
        return trim((string) preg_replace('/[^\p{L}\p{N}]+/u', ' ', mb_strtolower($name, 'UTF-8')));
    }
}
