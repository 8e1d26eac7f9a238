<?php

declare(strict_types=1);

namespace App\Models;

enum Role: string
{
    case Administrator = 'administrator';
    case Operator = 'operator';
    /** Conversations only. */
    case Agent = 'agent';
    case Viewer = 'viewer';

    /** Change rules, hours and what the business allows itself. */
    public function administers(): bool
    {
        return $this === self::Administrator;
    }

    /** Write to people. */
    public function converses(): bool
    {
        return $this !== self::Viewer;
    }

    /** See everything; an agent sees conversations and people alone. */
    public function views(): bool
    {
        return $this !== self::Agent;
    }
}
