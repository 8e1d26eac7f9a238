<?php

declare(strict_types=1);

namespace App\Models;

enum ChangeKind: string
{
    case RecordAdded = 'record_added';
    case RecordChanged = 'record_changed';
    case TextReceived = 'text_received';
}
