<?php

declare(strict_types=1);

namespace App\Pages\Safeguards;

/** What each safeguard did, by the codes it is noted under. */
enum Did: string
{
    case Hours = 'hours';
    case Stops = 'stops';
    case Same = 'same';
    case Caps = 'caps';
    case Budget = 'budget';
    case Unwell = 'unwell';

    /** @return list<string> */
    public function codes(): array
    {
        return match ($this) {
            self::Hours => ['gate.outside_hours'],
            self::Stops => ['gate.opted_out', 'start.opted_out', 'stop.opted_out'],
            self::Same => ['gate.same_text', 'gate.same_text_held'],
            self::Caps => ['gate.capped'],
            self::Budget => ['gate.budget_spent'],
            self::Unwell => ['gate.line_unwell'],
        };
    }

    public function says(): string
    {
        return match ($this) {
            self::Hours => 'Held until a decent hour',
            self::Stops => 'Not sent or not started after a stop',
            self::Same => 'Not sent because the same words had just gone',
            self::Caps => 'Held because they had had enough for now',
            self::Budget => 'Held because the month’s budget was spent',
            self::Unwell => 'Held because their line was unwell',
        };
    }
}
