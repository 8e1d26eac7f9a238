<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Trigger;

use Linnet\Core\Document\Doc;

final class Triggers
{
    public static function read(Doc $doc): Trigger
    {
        return $doc->oneOf('on', [
            'record_added' => RecordAdded::read(...),
            'record_changed' => RecordChanged::read(...),
        ]);
    }
}
