<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

enum SenderKind: string
{
    /** The line the person called or texted. */
    case Contacted = 'contacted';
    /** The line last used with this person. */
    case LastUsed = 'last_used';
    /** The own line of the record's owner. */
    case Owner = 'owner';
    case Fixed = 'fixed';
    /** One of several, always the same for the same person. */
    case Pool = 'pool';
    /** The same of those that go by a name, as they are then. */
    case LinePool = 'line_pool';
}
