<?php

declare(strict_types=1);

namespace Linnet\Core\Record\Change;

/** What can become known of a text after it left. */
enum ReportedStatus: string
{
    /** The carrier did not take it, or gave it up. */
    case Failed = 'failed';
    /** It reached nobody: no such number, or switched off for too long. */
    case Undeliverable = 'undeliverable';
    case LinkOpened = 'link_opened';
}
