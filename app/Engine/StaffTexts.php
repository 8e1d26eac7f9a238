<?php

declare(strict_types=1);

namespace App\Engine;

use App\Models\Business;
use App\Models\Conversation;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use App\Models\Staff;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Linnet\Core\Gate\Candidate;
use Linnet\Core\Gate\Gate;
use Linnet\Core\Gate\Origin;
use Linnet\Core\Gate\Power;
use Linnet\Core\Gate\Say;
use Linnet\Core\Reason;
use Linnet\Core\Rule\Step\TextKind;
use Linnet\Core\Text\Composed;
use Psr\Clock\ClockInterface;

/** Sends what a member of staff typed: past the checks made for automatic texts, never past an opt-out. */
final readonly class StaffTexts
{
    public function __construct(private ClockInterface $clock, private Profiles $profiles, private Texts $texts)
    {
    }

    /** @return Reason|null why it was not sent; null if it is on its way */
    public function send(Conversation $conversation, Staff $staff, string $body): ?Reason
    {
        return DB::transaction(function () use ($conversation, $staff, $body): ?Reason {
            $business = Business::ours();
            $now = $this->clock->now();
            $receiver = $this->profiles->receiver($conversation->person, $business);
            $verdict = Gate::judge(new Candidate(
                Origin::Staff, TextKind::Service, $body, $receiver, Power::On, $conversation->line->power, $conversation->line->name, $business->sending,
            ), $business->gatePolicy(), $now)->verdict();
            if ($verdict->say !== Say::Pass) {
                return $verdict->reason;
            }

            $composed = Composed::plain($body, $receiver, $business->asSender());
            $this->texts->leave(new Message([
                'name' => 'staff/'.Str::uuid7(), 'origin' => MessageOrigin::Staff, 'state' => MessageState::Waiting, 'person_id' => $conversation->person_id,
                'line_id' => $conversation->line_id, 'staff_id' => $staff->id, 'kind' => TextKind::Service, 'number' => $receiver->number, 'body' => $body,
                'encoding' => $composed->length->encoding->value, 'parts' => $composed->length->parts, 'price_micros' => $composed->price,
                'currency' => $business->currency(), 'wanted_at' => $now, 'at' => $now,
            ]), $now);
            $conversation->refresh()->update(['waiting_since' => null]);

            return null;
        });
    }
}
