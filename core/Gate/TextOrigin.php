<?php

declare(strict_types=1);

namespace Linnet\Core\Gate;

/** Who wants the text. */
enum TextOrigin: string
{
    case Rule = 'rule';
    /** Typed by a member of staff: answers for itself, but never goes past an opt-out. */
    case Staff = 'staff';
    /** The one answer that an opt-out, opt-in or help word gets. */
    case Words = 'words';
    /** A rule's text to somebody of the business. */
    case Notice = 'notice';
}
