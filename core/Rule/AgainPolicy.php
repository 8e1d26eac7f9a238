<?php

declare(strict_types=1);

namespace Linnet\Core\Rule;

enum AgainPolicy: string
{
    case OncePerPerson = 'once_per_person';
    case OncePerRecord = 'once_per_record';
    /** Once for each occasion: a booking that is moved, or is somebody else’s now, is a new one, the same date again is not. */
    case OncePerOccasion = 'once_per_occasion';
    case EveryTime = 'every_time';
    /** Not again for the same person within so many days. */
    case NotWithin = 'not_within';
}
