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
            'date_reached' => DateReached::read(...),
            'gone_quiet' => GoneQuiet::read(...),
            'text_received' => TextReceived::read(...),
            'label_changed' => LabelChanged::read(...),
            'form_sent' => FormSent::read(...),
            'calendar' => CalendarReached::read(...),
            'text_fate' => TextFate::read(...),
            'started' => Started::read(...),
        ]);
    }
}
