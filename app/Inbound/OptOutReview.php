<?php

declare(strict_types=1);

namespace App\Inbound;

use App\Engine\Runner;
use App\Models\Consent;
use App\Models\Message;
use App\Models\Number;
use App\Models\Person;
use App\Models\Staff;
use App\Models\Trace;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Reason;
use Psr\Clock\ClockInterface;

/** What reads like a stop, and somebody's decision whether it is one. */
final readonly class OptOutReview
{
    public function __construct(private ClockInterface $clock, private Runner $runner)
    {
    }

    public function decide(Number $number, bool $isStop, Staff $staff): Person
    {
        $person = Person::query()->findOrFail($number->person_id);
        $now = $this->clock->now();
        DB::transaction(function () use ($number, $isStop, $staff, $person, $now): void {
            $text = Message::query()->find($number->ambiguous_opt_out_message_id);
            $number->forceFill(['ambiguous_opt_out_message_id' => null])->save();
            if ($isStop) {
                Consent::query()->create([
                    'person_id' => $person->id, 'number' => $number->e164, 'act' => 'withdrawn', 'scope' => 'all', 'how' => 'staff',
                    'wording' => $text?->body, 'staff_id' => $staff->id, 'at' => $now,
                ]);
            }
            $with = ['who' => $person->called(), 'word' => (string) $text?->body, 'staff' => $staff->name];
            Trace::note(new Reason($isStop ? 'consent.withdrawn' : 'consent.cleared', $with), $now, [
                'person_id' => $person->id,
                'message_id' => $text?->id,
            ]);
        });
        $this->runner->askAgainFor($person->id);

        return $person;
    }
}
