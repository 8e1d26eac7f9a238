<?php

declare(strict_types=1);

namespace App\Carrier;

use App\Engine\Profiles;
use App\Engine\Texts;
use App\Intake\Door;
use App\Models\Business;
use App\Models\Change;
use App\Models\ChangeKind;
use App\Models\Consent;
use App\Models\Conversation;
use App\Models\Line;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use App\Models\Person;
use App\Models\Trace;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Number\NotANumber;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Reason;
use Linnet\Core\Rule\Step\TextKind;
use Linnet\Core\Text\Composed;
use Linnet\Core\Text\Words\Meaning;
use Psr\Clock\ClockInterface;

/** Takes a text that somebody sent to one of the lines: kept once, reserved words obeyed at once, the rest left to people and rules. */
final readonly class Inbound
{
    public function __construct(private ClockInterface $clock, private Door $door, private Profiles $profiles, private Texts $texts)
    {
    }

    /**
     * @param  string  $id  the carrier's own name for it; the same one again changes nothing
     * @return bool false if the line is not ours or the sender is no number
     */
    public function take(string $id, string $from, string $to, string $text): bool
    {
        $business = Business::ours();
        $line = Line::query()->firstWhere('number', $to);
        try {
            $number = Numbers::read($from, $business->country);
        } catch (NotANumber) {
            return false;
        }
        if ($line === null) {
            return false;
        }

        return DB::transaction(function () use ($id, $line, $number, $text, $business): bool {
            if (Message::query()->where('name', "in/$id")->lockForUpdate()->exists()) {
                return true;
            }
            $now = $this->clock->now();
            $person = $this->door->person($number, [], $now);
            $conversation = Conversation::query()->firstOrCreate(['person_id' => $person->id, 'line_id' => $line->id], ['last_at' => $now]);
            $meaning = $business->reservedWords()->meaning($text);
            $message = Message::query()->create([
                'name' => "in/$id", 'origin' => MessageOrigin::Them, 'state' => MessageState::Received, 'person_id' => $person->id,
                'line_id' => $line->id, 'conversation_id' => $conversation->id, 'number' => $number->e164,
                'body' => mb_substr(mb_scrub($text, 'UTF-8'), 0, 5000, 'UTF-8'), 'meaning' => $meaning, 'wanted_at' => $now, 'at' => $now,
            ]);
            $conversation->update([
                'last_message_id' => $message->id, 'last_at' => $now,
                'waiting_since' => $meaning === Meaning::Talk ? $conversation->waiting_since ?? $now : $conversation->waiting_since,
            ]);
            $this->obey($meaning, $person, $line, $message, $business, $now);
            Change::query()->create([
                'kind' => ChangeKind::TextReceived, 'person_id' => $person->id, 'message_id' => $message->id, 'at' => $now, 'handled' => false,
            ]);

            return true;
        });
    }

    /** Confirmed once, never more: only the word that changes something is answered. */
    private function obey(Meaning $meaning, Person $person, Line $line, Message $message, Business $business, \DateTimeImmutable $now): void
    {
        $receiver = $this->profiles->receiver($person, $business);
        $act = match (true) {
            $meaning === Meaning::OptOut && ! $receiver->optedOut => 'withdrawn',
            $meaning === Meaning::OptIn && $receiver->optedOut => 'granted',
            default => null,
        };
        if ($act !== null) {
            Consent::query()->create([
                'person_id' => $person->id, 'number' => (string) $message->number, 'act' => $act, 'scope' => 'all', 'how' => 'text',
                'wording' => $message->body, 'at' => $now,
            ]);
            Trace::note(new Reason("consent.$act", ['who' => $person->called(), 'word' => $message->body]), $now, [
                'person_id' => $person->id, 'message_id' => $message->id,
            ]);
        }

        $answer = match (true) {
            $act === 'withdrawn' => __('texts.stopped', ['business' => $business->name]),
            $act === 'granted' => __('texts.started', ['business' => $business->name]),
            $meaning === Meaning::Help && ! $receiver->optedOut => __('texts.help', ['business' => $business->name, 'number' => Numbers::pretty($line->number)]),
            default => null,
        };
        if (is_string($answer)) {
            $composed = Composed::plain($answer, $receiver, $business->asSender());
            $this->texts->leave(new Message([
                'name' => "words/$message->id", 'origin' => MessageOrigin::Words, 'state' => MessageState::Waiting, 'person_id' => $person->id,
                'line_id' => $line->id, 'kind' => TextKind::Service, 'number' => $message->number, 'body' => $composed->body,
                'encoding' => $composed->length->encoding->value, 'parts' => $composed->length->parts, 'price_micros' => $composed->price,
                'currency' => $business->currency(), 'wanted_at' => $now, 'at' => $now,
            ]), $now);
        }
    }
}
