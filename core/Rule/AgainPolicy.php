<?php

declare(strict_types=1);

namespace Linnet\Core\Rule;

enum AgainPolicy: string
{
    case OncePerPerson = 'once_per_person';
    case OncePerRecord = 'once_per_record';
    /** Once for each time the trigger comes about. */
    case OncePerOccasion = 'once_per_occasion';
    /** Not again for the same person within so many days. */
    case NotWithin = 'not_within';
}
