<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal;

use Linnet\Core\Document\Doc;
use Linnet\Core\Record\Field;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\RecordType;

/** A record type as a world on paper gives it. */
final class WorldType
{
    public static function read(Doc $doc): RecordType
    {
        $doc->allow('key', 'name', 'plural', 'person', 'person_noun', 'start', 'fields');
        $fields = $doc->each('fields', function (Doc $field): Field {
            $field->allow('key', 'name', 'kind', 'options', 'of', 'at_place', 'noun');
            $key = $field->name('key');

            return new Field(
                $key, $field->optionalText('name', 60) ?? str_replace('_', ' ', $key), $field->choice('kind', FieldKind::class),
                $field->has('options') ? $field->texts('options') : [], $field->has('of') ? $field->name('of') : null,
                $field->has('at_place') && $field->yesNo('at_place'), $field->optionalText('noun', 60),
            );
        }, 0, 200);
        $key = $doc->name('key');

        return new RecordType(
            $key, $doc->optionalText('name', 60) ?? $key, array_column($fields, null, 'key'),
            $doc->has('person') ? $doc->name('person') : null, $doc->has('start') ? $doc->name('start') : null,
            $doc->optionalText('plural', 60), $doc->optionalText('person_noun', 40),
        );
    }
}
