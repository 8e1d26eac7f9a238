<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Consent;
use App\Models\Person;
use App\Models\Timer;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;

/**
 * Removes somebody and everything known of them (GDPR, article 17). Records of the business stay, without the person; a stop they had
 * said stays as a fingerprint.
 */
final readonly class Erasing
{
    /** Everything that is about one person and nothing else. */
    private const THEIRS = [
        'labels', 'notices', 'notes', 'tasks', 'outbound_tasks', 'external_ids', 'consents', 'confirmations', 'wording_uses', 'numbers',
        'rehearsed_texts', 'rehearsed_runs', 'scheduled_texts', 'several_people', 'merges', 'form_sends',
    ];

    public function __construct(private ClockInterface $clock)
    {
    }

    public function erase(Person $person): void
    {
        $remains = PersonalDataScan::of($person);
        DB::transaction(function () use ($person, $remains): void {
            $this->keepStops($person);
            $remains->clear();
            $runs = DB::table('runs')->where('person_id', $person->id)->pluck('id');
            $messages = DB::table('messages')->where('person_id', $person->id)->pluck('id');
            $records = DB::table('records')->where('person_id', $person->id)->pluck('id');
            $changes = DB::table('changes')->where('person_id', $person->id)->orWhereIn('record_id', $records);
            DB::table('deliveries')
                ->whereIn('id', (clone $changes)->whereNotNull('delivery_id')->select('delivery_id'))
                ->update(['body' => '', 'fingerprint' => null]);
            $changes->delete();
            foreach (
                [
                    Timer::RUN => $runs, Timer::MESSAGE => $messages, Timer::START_PERSON => [$person->id], Timer::START_RECORD => $records,
                ] as $kind => $subjects
            ) {
                DB::table('timers')->where('kind', $kind)->whereIn('subject_id', $subjects)->delete();
            }
            DB::table('traces')
                ->where('person_id', $person->id)
                ->orWhereIn('record_id', $records)
                ->orWhereIn('run_id', $runs)
                ->orWhereIn('message_id', $messages)
                ->delete();
            foreach (['links', 'receipts'] as $table) {
                DB::table($table)->whereIn('message_id', $messages)->delete();
            }
            $conversations = DB::table('conversations')->where('person_id', $person->id);
            DB::table('reply_notices')->whereIn('conversation_id', (clone $conversations)->select('id'))->delete();
            $conversations->update(['last_message_id' => null]);
            foreach (['messages', 'conversations', 'runs', ...self::THEIRS] as $table) {
                DB::table($table)->where('person_id', $person->id)->delete();
            }
            $trials = DB::table('trials')->where('person_id', $person->id)->pluck('id');
            DB::table('trial_texts')->whereIn('trial_id', $trials)->delete();
            DB::table('trials')->whereIn('id', $trials)->delete();
            // A code that was given is not given again.
            DB::table('codes')->where('person_id', $person->id)->update(['person_id' => 0]);
            $this->clear($person);
            $person->delete();
        });
    }

    private function keepStops(Person $person): void
    {
        $stopped = Consent::query()
            ->where('person_id', $person->id)
            ->where('scope', 'all')
            ->orderBy('id')
            ->get(['number', 'act'])
            ->keyBy('number')
            ->filter(fn (Consent $last): bool => $last->act === 'withdrawn');
        foreach ($stopped as $consent) {
            DB::table('fingerprints')->insertOrIgnore([
                'hash' => Fingerprints::of($consent->number),
                'at' => $this->clock->now()->format('Y-m-d H:i:s'),
            ]);
        }
    }

    /** Out of the business's records: who it was, their numbers, their emails, and what was written about them. */
    private function clear(Person $person): void
    {
        $personal = DB::table('fields')
            ->whereIn('kind', ['person', 'phone', 'email', 'long_text'])
            ->get(['record_type_id', 'key'])
            ->groupBy('record_type_id');
        foreach (DB::table('records')->where('person_id', $person->id)->orderBy('id')->lazy(200) as $record) {
            /** @var array<string, mixed> $values */
            $values = json_decode((string) $record->values, true, 16, JSON_THROW_ON_ERROR);
            $left = array_diff_key($values, array_flip(($personal[$record->record_type_id] ?? collect())->pluck('key')->all()));
            DB::table('records')
                ->where('id', $record->id)
                ->update(['person_id' => null, 'values' => json_encode((object) $left, JSON_THROW_ON_ERROR)]);
        }
    }
}
