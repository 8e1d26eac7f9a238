<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Condition;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Record\Change\LabelKind;

final class Conditions
{
    /** Under a key; a condition that always holds if it is missing. */
    public static function optional(Doc $doc, string $key): Condition
    {
        return $doc->has($key) ? self::read($doc->object($key)) : new Group(Joined::All, []);
    }

    /**
     * The types of record a condition asks the person for, and the audiences ({@see InAudience::isOne()}).
     *
     * @return list<string>
     */
    public static function relatedTypes(Condition $condition): array
    {
        return match (true) {
            $condition instanceof Group => array_values(
                array_unique(array_merge(...array_map(self::relatedTypes(...), $condition->parts), ...[[]])),
            ),
            $condition instanceof HasRelated => array_values(
                array_unique([$condition->type, ...$condition->that === null ? [] : self::relatedTypes($condition->that)]),
            ),
            $condition instanceof InAudience => [$condition->asked()],
            default => [],
        };
    }

    public static function asksForTexts(Condition $condition): bool
    {
        return $condition instanceof HadText ||
            // What an audience asks is not known here.
            $condition instanceof InAudience ||
            ($condition instanceof Group && array_filter($condition->parts, self::asksForTexts(...)) !== []);
    }

    public static function read(Doc $doc): Condition
    {
        return match (true) {
            $doc->has('all') => Group::read($doc, Joined::All),
            $doc->has('any') => Group::read($doc, Joined::Any),
            $doc->has('none') => Group::read($doc, Joined::None),
            $doc->has('field') => FieldTest::read($doc),
            $doc->has('hours') => OpeningHours::read($doc),
            $doc->has('replied') => Replied::read($doc),
            $doc->has('tag') => Labelled::read($doc, LabelKind::Tag),
            $doc->has('list') => Labelled::read($doc, LabelKind::List),
            $doc->has('consent') => Consented::read($doc),
            $doc->has('number') => Reached::read($doc),
            $doc->has('related') => HasRelated::read($doc),
            $doc->has('had_text') => HadText::read($doc),
            $doc->has('audience') => InAudience::read($doc),
            default => throw Unreadable::at($doc->path, 'condition_expected'),
        };
    }
}
