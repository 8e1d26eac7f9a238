<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Condition;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;

final class Conditions
{
    public static function read(Doc $doc): Condition
    {
        return match (true) {
            $doc->has('all') => Group::read($doc, Joined::All),
            $doc->has('any') => Group::read($doc, Joined::Any),
            $doc->has('none') => Group::read($doc, Joined::None),
            $doc->has('field') => FieldTest::read($doc),
            $doc->has('hours') => Opening::read($doc),
            $doc->has('replied') => Replied::read($doc),
            default => throw Unreadable::at($doc->path, 'condition_expected'),
        };
    }
}
