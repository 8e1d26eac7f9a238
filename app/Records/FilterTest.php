<?php

declare(strict_types=1);

namespace App\Records;

use Linnet\Core\Record\FieldKind;

/** What a list can be asked of a field. */
enum FilterTest: string
{
    case Is = 'is';
    case IsNot = 'is_not';
    case Begins = 'begins';
    case More = 'more';
    case Less = 'less';
    case Before = 'before';
    case After = 'after';
    case On = 'on';
    case NextDays = 'next_days';
    case LastDays = 'last_days';
    case Filled = 'filled';
    case Empty = 'empty';

    public function says(): string
    {
        return match ($this) {
            self::Is => 'is',
            self::IsNot => 'is not',
            self::Begins => 'begins with',
            self::More => 'is more than',
            self::Less => 'is less than',
            self::Before => 'is before',
            self::After => 'is after',
            self::On => 'is on',
            self::NextDays => 'is within the next … days',
            self::LastDays => 'was within the last … days',
            self::Filled => 'is filled in',
            self::Empty => 'is empty',
        };
    }

    public function takesValue(): bool
    {
        return $this !== self::Filled && $this !== self::Empty;
    }

    /** @return list<self> */
    public static function for(FieldKind $kind): array
    {
        // A long text has no index, and is not asked about.
        return $kind === FieldKind::LongText ? [] : [...match ($kind) {
            FieldKind::Text, FieldKind::Email, FieldKind::Link => [self::Begins, self::Is],
            FieldKind::Number, FieldKind::Money => [self::Is, self::More, self::Less],
            FieldKind::Date, FieldKind::DateTime => [self::On, self::Before, self::After, self::NextDays, self::LastDays],
            FieldKind::Choice => [self::Is, self::IsNot],
            FieldKind::YesNo, FieldKind::Phone, FieldKind::Line, FieldKind::Staff, FieldKind::Person, FieldKind::Record => [self::Is],
        }, self::Filled, self::Empty];
    }
}
