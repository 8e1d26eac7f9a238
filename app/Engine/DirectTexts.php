<?php

declare(strict_types=1);

namespace App\Engine;

use App\Engine\Live\Desk;
use App\Engine\Live\LiveDeeds;
use App\Models\Conversation;
use App\Models\Line;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use App\Models\Staff;
use Illuminate\Support\Str;
use Linnet\Core\Gate\Candidate;
use Linnet\Core\Gate\Gate;
use Linnet\Core\Gate\Origin;
use Linnet\Core\Gate\Power;
use Linnet\Core\Gate\Say;
use Linnet\Core\Reason;
use Linnet\Core\Record\Person;
use Linnet\Core\Rule\Step\TextKind;
use Linnet\Core\Text\Composed;
use Psr\Clock\ClockInterface;

/** Texts that no rule wants: typed by staff, or the one answer a word gets. Past the checks made for automatic texts, never past an opt-out. */
final readonly class DirectTexts
{
    public function __construct(private ClockInterface $clock, private LiveDeeds $deeds)
    {
    }

    /** @return Reason|null why it was not sent; null if it is on its way */
    public function fromStaff(Conversation $conversation, Staff $staff, string $body): ?Reason
    {
        return Desk::work($this->clock->now(), $this->deeds, function (Desk $desk) use ($conversation, $staff, $body): ?Reason {
            $person = $desk->known->person($conversation->person_id) ?? throw new \LogicException('a conversation is with somebody');
            $refused = $this->send($desk, $person, $conversation->line, Origin::Staff, $body, 'staff/'.Str::uuid7(), null, $staff->id);
            if ($refused === null) {
                $conversation->refresh()->update(['waiting_since' => null]);
            }

            return $refused;
        });
    }

    /** @param  string|null  $number the one it goes to; null for the preferred one */
    public function send(Desk $desk, Person $person, Line $line, Origin $origin, string $body, string $name, ?string $number, ?int $staffId = null): ?Reason
    {
        $now = $desk->now;
        $business = $desk->known->business();
        $to = $desk->surroundings->stillReceiver($person, $number);
        $on = $line->read();
        [$departed, $turn] = $on->pace->isLimited() ? $desk->texts->departed($line->key, $on->pace->looksBack($now)) : [[], 0];
        $verdict = Gate::judge(new Candidate(
            $origin, TextKind::Service, $body, $to, Power::On, $line->power, $line->name, $business->sending, businessZone: $business->zone,
            pace: $on->pace, departed: $departed, turn: $turn, health: $on->health,
            lineCountries: $on->countries,
        ), $desk->known->policy(), $now)->verdict();
        // A line that is busy gives it the next place; it leaves then without being asked again.
        if ($verdict->say !== Say::Pass && ! $verdict->takesSlot) {
            return $verdict->reason;
        }
        $leaves = $verdict->until ?? $now;
        if ($on->pace->isLimited()) {
            $desk->texts->depart($line->key, $leaves);
        }
        $composed = Composed::plain($body, $to, $business);
        $conversation = Conversation::query()->firstOrCreate(['person_id' => $person->id, 'line_id' => $line->id], ['last_at' => $now]);
        $message = Message::query()->create([
            'name' => $name, 'key' => (string) Str::uuid7(), 'origin' => $origin === Origin::Staff ? MessageOrigin::Staff : MessageOrigin::Words, 'state' => MessageState::Ready, 'person_id' => $person->id,
            'line_id' => $line->id, 'conversation_id' => $conversation->id, 'staff_id' => $staffId, 'kind' => TextKind::Service, 'number' => $to->number, 'body' => $composed->body,
            'encoding' => $composed->length->encoding->value, 'parts' => $composed->length->parts, 'price_micros' => $composed->price, 'currency' => $business->tariff->currency,
            'wanted_at' => $now, 'left_at' => $now, 'at' => $now, 'retry_at' => $leaves > $now ? $leaves : null,
        ]);
        $conversation->update(['last_message_id' => $message->id, 'last_at' => $now]);

        return null;
    }
}
