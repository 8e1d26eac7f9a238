<?php

declare(strict_types=1);

namespace App\Sentences;

use Linnet\Core\Reason;

/** A kind of reason in a few words, for lists and counts; the sentence with its values is {@see Sentence}. */
final class ShortReason
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
        'text.used_up' => 'wordings used up', 'stop.date_gone' => 'its date is gone', 'stop.by_rule' => 'ended by another rule',
        'stop.retired' => 'the rule was retired', 'goal.met' => 'its goal was met first', 'goal.not_met' => 'its goal was not met in time',
        'run.not_going_on' => 'did not go on by its own condition', 'run.text_never_left' => 'the text before never left',
        'run.no_date' => 'a date is missing', 'run.finished' => 'it came to its end without a text', 'ask.answered' => 'they answered',
        'condition.has_tag' => 'had a tag', 'condition.no_tag' => 'lacked a tag', 'condition.has_list' => 'was on a list',
        'condition.no_list' => 'was not on a list', 'condition.opted_in' => 'had agreed to offers',
        'condition.not_opted_in' => 'had not agreed to offers', 'condition.opted_out' => 'had said stop',
        'condition.not_opted_out' => 'had not said stop', 'condition.no_number' => 'had no number',
        'condition.has_number' => 'had a number',
        'condition.not_looked_up' => 'number was not looked up', 'condition.number_alive' => 'number was in use',
        'condition.number_dead' => 'number was not in use', 'condition.number_mobile' => 'number was a mobile',
        'condition.number_landline' => 'number was a landline', 'condition.number_other' => 'number was neither mobile nor landline',
        'condition.related' => 'had another record that fits', 'condition.no_related' => 'had no other record of that type',
        'condition.none_fits' => 'had no other record that fits', 'condition.no_text_yet' => 'had had no text yet',
        'condition.last_text' => 'had had a text', 'condition.open' => 'it was within opening hours',
        'condition.closed' => 'it was outside opening hours', 'condition.replied' => 'had replied',
        'condition.not_replied' => 'had not replied', 'rehearsal.wrote_back' => 'had written back', 'start.rule_off' => 'the rule was off',
        'start.not_its_days' => 'not on its days', 'start.lacks_record' => 'nothing to be about',
        'start.lacks_field' => 'a value is missing',
        'start.lacks_number' => 'they have no number', 'start.ring' => 'rules set each other off in a ring',
        'start.chain' => 'too long a chain of rules', 'start.nobody' => 'nobody was known to text',
        'start.opted_out' => 'they had said stop',
        'start.again_too_soon' => 'it had begun for them not long before', 'start.before' => 'it had begun for this already',
        'start.date_past' => 'the date it hangs on was past', 'start.date_gone' => 'the date it hangs on was taken out',
        'start.date_moved' => 'the date it hangs on was moved',
    ];

    public static function of(string $code): string
    {
        return self::SAID[$code] ?? str_replace(['.', '_'], [': ', ' '], $code);
    }

    /** The same with what decided: the value of a field, where it is a word, or the condition it rests on. */
    public static function with(Reason $reason): string
    {
        $because = $reason->with['because'] ?? null;
        if (is_array($because) && is_string($because['code'] ?? null) && is_array($because['with'] ?? null)) {
            return self::of($reason->code).': '.self::with(new Reason($because['code'], $because['with']));
        }
        $field = $reason->with['field'] ?? null;
        $value = $reason->with['value'] ?? '';

        return is_string($field) && str_starts_with($reason->code, 'condition.')
            ? mb_strtolower($field, 'UTF-8').match (true) {
                $reason->code === 'condition.is_empty', $reason->code === 'condition.unknown' => ' was empty',
                is_string($value) && preg_match('/^[\p{L} _-]{1,40}$/u', $value) === 1 => " was “{$value}”",
                default => ' did not fit',
            }
            : self::of($reason->code);
    }
}
