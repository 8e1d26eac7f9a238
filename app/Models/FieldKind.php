<?php

declare(strict_types=1);

namespace App\Models;

enum FieldKind: string
{
    case Text = 'text';
    case LongText = 'long_text';
    case Number = 'number';
    case Money = 'money';
    case Date = 'date';
    case DateTime = 'date_time';
    case Choice = 'choice';
    case YesNo = 'yes_no';
    case Phone = 'phone';
    case Email = 'email';
    case Link = 'link';
    /** One of the business's own lines, kept by its number. */
    case Line = 'line';
}
