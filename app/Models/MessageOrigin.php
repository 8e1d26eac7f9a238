<?php

declare(strict_types=1);

namespace App\Models;

/** Who wrote a message. */
enum MessageOrigin: string
{
    case Rule = 'rule';
    case Staff = 'staff';
    /** The answer an opt-out, opt-in or help word gets. */
    case Words = 'words';
    /** A rule's, to somebody of the business. */
    case Notice = 'notice';
    /** The person. */
    case Them = 'them';
}
