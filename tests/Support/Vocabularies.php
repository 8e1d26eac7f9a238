<?php

declare(strict_types=1);

namespace Tests\Support;

use Linnet\Core\Document\Doc;
use Linnet\Core\Prose\Language;
use Linnet\Core\Prose\Vocabulary\Vocabulary;
use Linnet\Core\Record\Field;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rehearsal\WorldType;

/** The names that sentences of tests may use. */
final class Vocabularies
{
    /** The boathouse's. */
    public static function boathouse(): Vocabulary
    {
        return new Vocabulary(
            Vocabulary::types(self::types()), ['front-desk' => 'front desk', 'workshop' => 'workshop', 'news' => 'OsierQuay'],
            ['tom@osierquay.example' => 'Tom Reyes', 'mira@osierquay.example' => 'Mira Okafor', 'nia@osierquay.example' => 'Nia Brandt'],
            ['basket-left' => 'Basket left', 'find-out' => 'What do they paddle', 'birthday' => "Member's anniversary"],
            ['hire' => 'Ask about hire'], ['water-level' => 'water-level'], ['member', 'number to check', 'asked about hire'],
            ['newsletter'], audiences: ['Regulars' => 'person', 'This week' => 'booking'],
            linePools: ['Desks' => 'Desks', 'Sea' => 'Sea'],
        );
    }

    /** Everything is called what something else is called, or what a sentence says itself. */
    public static function awkward(): Vocabulary
    {
        $options = [
            'a', 'yes', 'sent or reminded', 'Booked', 'booked', 'not ready', 'to be done', '5', 'the end', 'did not come', 'x, y', 'true',
            '(none)', 'quote " it', 'within 3 days',
        ];
        $types = [];
        foreach (self::types() as $type) {
            $fields = $type->fields;
            if (in_array($type->key, ['booking', 'deal'], true)) {
                $fields['state'] = new Field('state', 'State', FieldKind::Choice, $options);
                $fields['stage'] = new Field('stage', 'state', FieldKind::Choice, $options);
                $fields['price'] = new Field('price', 'start', FieldKind::Money);
                $fields['lesson'] = new Field('lesson', 'Owner', FieldKind::Text);
            }
            $types[] = new RecordType(
                $type->key, $type->key === 'deal' ? 'Booking' : $type->name, $fields, $type->personField, $type->startField,
                personNoun: 'owner',
            );
        }

        return new Vocabulary(
            Vocabulary::types($types), ['front-desk' => 'line last used', 'workshop' => 'workshop', 'news' => 'Workshop'],
            ['tom@osierquay.example' => 'the owner', 'mira@osierquay.example' => 'Tom, Reyes'],
            ['basket-left' => 'find-out', 'find-out' => 'basket-left'], ['hire' => 'x'], ['water-level' => 'made-up'], ['member'],
            ['newsletter'], 'SEK',
        );
    }

    public static function language(): Language
    {
        return new Language(self::boathouse());
    }

    /** @return list<RecordType> */
    private static function types(): array
    {
        /** @var list<array<string, mixed>> $types */
        $types = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/demo/record-types.json'), true, 16, JSON_THROW_ON_ERROR);

        return array_map(
            fn (array $type): RecordType => WorldType::read(Doc::of(array_diff_key($type, ['title' => 1, 'end' => 1, 'stage' => 1]))),
            $types,
        );
    }
}
