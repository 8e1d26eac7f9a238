<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

enum Who: string
{
    /** The person the run is about. */
    case Person = 'person';
    /** Whose the record is among the staff. */
    case Owner = 'owner';
    /** The member of staff in a field. */
    case StaffField = 'staff_field';
    /** The person in a field of the record, who is another than the run is about. */
    case PersonField = 'person_field';
    /** A member of staff by name: their email. */
    case Staff = 'staff';
    /** A telephone number. */
    case Number = 'number';
    /** An email address. */
    case Address = 'address';

    /** The document's key that says which. */
    public function key(): ?string
    {
        return match ($this) {
            self::Person, self::Owner => null,
            self::StaffField, self::PersonField => 'field',
            self::Staff, self::Address => 'email',
            self::Number => 'number',
        };
    }
}
