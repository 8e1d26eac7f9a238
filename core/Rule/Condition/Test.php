<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Condition;

/** What a field can be asked. */
enum Test: string
{
    case Is = 'is';
    case IsNot = 'is_not';
    case OneOf = 'one_of';
    case Contains = 'contains';
    case BeginsWith = 'begins_with';
    case Empty = 'empty';
    case Filled = 'filled';
    case More = 'more';
    case Less = 'less';
    case Between = 'between';
    case Before = 'before';
    case After = 'after';
    /** Within the next or last so many days, counted from now. */
    case WithinNext = 'within_next';
    case WithinLast = 'within_last';
    case Today = 'today';
    case Weekday = 'weekday';

    /** What stands in the document's "value". */
    public function takes(): Takes
    {
        return match ($this) {
            self::Empty, self::Filled, self::Today => Takes::Nothing,
            self::Is, self::IsNot => Takes::Value,
            self::Contains, self::BeginsWith => Takes::Text,
            self::More, self::Less => Takes::Number,
            self::OneOf => Takes::Values,
            self::Between => Takes::TwoNumbers,
            self::Before, self::After => Takes::Date,
            self::WithinNext, self::WithinLast => Takes::Days,
            self::Weekday => Takes::Weekdays,
        };
    }
}
