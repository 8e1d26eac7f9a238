<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

/** What a field holds. */
enum FieldKind: string
{
    case Text = 'text';
    case LongText = 'long_text';
    case Number = 'number';
    case Money = 'money';
    case Date = 'date';
    case DateTime = 'date_time';
    /** One of a list in an order of its own, such as stages. */
    case Choice = 'choice';
    case YesNo = 'yes_no';
    case Phone = 'phone';
    case Email = 'email';
    case Link = 'link';
    /** One of those who log in. */
    case Staff = 'staff';
    case Person = 'person';
    /** Another record, of the type the field names. */
    case Record = 'record';
    /** One of the business's own lines, kept by its number. */
    case Line = 'line';

    public function says(): string
    {
        return match ($this) {
            self::Text => 'text', self::LongText => 'long text', self::Number => 'number', self::Money => 'money', self::Date => 'date',
            self::DateTime => 'date and time', self::Choice => 'choice', self::YesNo => 'yes or no', self::Phone => 'phone number',
            self::Email => 'email address', self::Link => 'link', self::Staff => 'member of staff', self::Person => 'person',
            self::Record => 'another record', self::Line => 'line of ours',
        };
    }

    /** Whether values are compared as numbers. */
    public function isNumeric(): bool
    {
        return match ($this) {
            self::Number, self::Money, self::Staff, self::Person, self::Record => true,
            default => false,
        };
    }

    /** Whether a value is another row's id, which only the shell can look up. */
    public function isReference(): bool
    {
        return match ($this) {
            self::Staff, self::Person, self::Record => true,
            default => false,
        };
    }
}
