<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

use Linnet\Core\Record\Field;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\RecordType;

/** Everything that a mapping can fill, by the place it has in the mapping's document: "external_id", "person.number", "fields.stage". */
final class Targets
{
    /** @return array<string, Field> */
    public static function of(RecordType $type, RecordType $people): array
    {
        $targets = [];
        if ($type->key !== RecordType::PERSON) {
            $targets['external_id'] = new Field('external_id', 'Their name for it', FieldKind::Text);
            foreach ($type->fields as $key => $field) {
                $targets["fields.$key"] = $field;
            }
        }
        $targets['version'] = new Field('version', 'Version or time of change', FieldKind::Text);
        foreach (self::person() + $people->fields as $key => $field) {
            $targets["person.$key"] = $field;
        }
        foreach (self::consent() as $key => $field) {
            $targets["consent.$key"] = $field;
        }

        return $targets;
    }

    /** @return array<string, Field> */
    public static function person(): array
    {
        return [
            'number' => new Field('number', 'Number', FieldKind::Phone),
            'email' => new Field('email', 'Email', FieldKind::Email),
            'external_id' => new Field('external_id', 'Their name for the person', FieldKind::Text),
            'first_name' => new Field('first_name', 'First name', FieldKind::Text),
            'last_name' => new Field('last_name', 'Last name', FieldKind::Text),
            'zone' => new Field('zone', 'Time zone', FieldKind::Text),
            'locale' => new Field('locale', 'Language', FieldKind::Text),
        ];
    }

    /** @return array<string, Field> */
    public static function consent(): array
    {
        return [
            'marketing' => new Field('marketing', 'Agreed to offers', FieldKind::YesNo),
            'stopped' => new Field('stopped', 'Wants no texts', FieldKind::YesNo),
            'wording' => new Field('wording', 'The words they agreed to', FieldKind::Text),
            'at' => new Field('at', 'When they agreed', FieldKind::DateTime),
        ];
    }
}
