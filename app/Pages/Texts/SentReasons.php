<?php

declare(strict_types=1);

namespace App\Pages\Texts;

use App\Database\DistinctValues;

/** The reasons that texts of ours have, each by a few words. */
final class SentReasons
{
    private const SAID = [
        'gate.outside_hours' => 'outside decent hours', 'gate.opted_out' => 'they said stop',
        'gate.may_have_opted_out' => 'may have said stop',
        'gate.no_opt_in' => 'never agreed to offers', 'gate.no_longer' => 'no longer holds', 'gate.after_its_event' => 'after its event',
        'gate.stale_by_pause' => 'stale by a pause', 'gate.same_text' => 'the same words again', 'gate.capped' => 'too many texts',
        'gate.budget_spent' => 'no budget left', 'gate.line_busy' => 'its line was busy', 'gate.line_closed' => 'its line was closed',
        'gate.line_unwell' => 'its line was unwell', 'gate.not_released' => 'waits to be let go', 'gate.no_number' => 'no number',
        'gate.number_dead' => 'nobody has the number', 'gate.number_landline' => 'a landline', 'template.missing' => 'a value is missing',
        'stop.replied' => 'they replied', 'stop.no_longer' => 'no longer holds for the run', 'stop.date_moved' => 'its date moved',
        'stop.opted_out' => 'they said stop meanwhile', 'staff.skipped' => 'skipped by staff', 'carrier.failed' => 'failed at the carrier',
        'carrier.refused' => 'refused by the carrier', 'carrier.given_up' => 'the carrier never answered',
        'text.used_up' => 'wordings used up',
    ];

    /** @return array<string, string> by code */
    public static function all(): array
    {
        $reasons = [];
        foreach (DistinctValues::of('messages', 'reason_code', []) as $code) {
            $reasons[$code] = self::SAID[$code] ?? str_replace(['.', '_'], [': ', ' '], $code);
        }
        asort($reasons);

        return $reasons;
    }
}
