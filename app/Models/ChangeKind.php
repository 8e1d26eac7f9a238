<?php

declare(strict_types=1);

namespace App\Models;

enum ChangeKind: string
{
    case RecordAdded = 'record_added';
    case RecordChanged = 'record_changed';
    case PersonAdded = 'person_added';
    case PersonChanged = 'person_changed';
    case TextReceived = 'text_received';
    /** A tag or list. */
    case LabelChanged = 'label_changed';
    case FormSent = 'form_sent';
    case StatusReported = 'status_reported';
    /** A rule was started by hand, by another rule, or over the API. */
    case Asked = 'asked';
}
