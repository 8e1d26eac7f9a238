<?php

declare(strict_types=1);

namespace App\Engine;

use App\Conversations\ReplyNotices;
use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Models\Conversation;
use App\Models\ForecastMark;
use App\Models\Line;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use App\Models\Staff;
use Illuminate\Support\Str;
use Linnet\Core\Engine\Composed;
use Linnet\Core\Gate\Candidate;
use Linnet\Core\Gate\Gate;
use Linnet\Core\Gate\Say;
use Linnet\Core\Gate\TextOrigin;
use Linnet\Core\Gate\Verdict;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\Person;
use Linnet\Core\Rule\Step\TextKind;
use Psr\Clock\ClockInterface;

/**
 * Texts that no rule wants: typed by staff, or the one answer a word gets. Past the checks made for automatic texts, never past an
 * opt-out.
 */
final readonly class DirectTexts
{
    /** A wait for the line's pace that nobody has to be asked about. */
    private const SHORT_SECONDS = 60;

    public function __construct(private ClockInterface $clock, private DatabaseSideEffects $sideEffects)
    {
    }

    /**
     * @param  string|null  $number  the one it goes to; null for the preferred one
     * @param  string|null  $picture  address of one that goes with it
     * @param  bool  $anyway  at once, though the line is closed or has no room: it counts towards its pace all the same
     * @param  string|null  $name  the same one again sends nothing more
     * @return Verdict|null why it was not sent, and until when, where it is but that the line is closed or busy; null if it is on its way
     */
    public function fromStaff(
        int $personId,
        Line $line,
        ?string $number,
        Staff $staff,
        string $body,
        ?string $picture = null,
        bool $anyway = false,
        ?string $name = null,
    ): ?Verdict {
        return UnitOfWork::transaction($this->clock->now(), $this->sideEffects, function (UnitOfWork $unit) use (
            $personId,
            $line,
            $number,
            $staff,
            $body,
            $picture,
            $anyway,
            $name,
        ): ?Verdict {
            if ($name !== null && Message::query()->where('name', $name)->exists()) {
                return null;
            }
            $person = $unit->reader->person($personId) ?? throw new \LogicException('it is written to somebody');
            $refused = $this->send(
                $unit, $person, $line, TextOrigin::Staff, $body, $name ?? 'staff/'.Str::uuid7(), $number, $staff->id, $picture, $anyway,
                mayWait: false,
            );
            if ($refused === null) {
                // The line last used with them is another, perhaps.
                ForecastMark::leave([$personId]);
                self::answered($personId, $line->id, $this->clock->now());
                $unit->conductor->wrote($personId, $staff->name);
            }

            return $refused;
        }, [$personId]);
    }

    /** Whoever waited there when it was written waits no more. */
    public static function answered(int $personId, int $lineId, \DateTimeImmutable $writtenAt): void
    {
        $answered = Conversation::query()
            ->where('person_id', $personId)
            ->where('line_id', $lineId)
            ->where('waiting_since', '<=', $writtenAt)
            ->first();
        if ($answered !== null) {
            $answered->update(['waiting_since' => null, 'put_off_until' => null]);
            ReplyNotices::answered($answered->id, $writtenAt);
        }
    }

    /**
     * @param  string|null  $number  the one it goes to; null for the preferred one
     * @param  bool  $mayWait  in the line's order, however long that is
     * @param  \DateTimeImmutable|null  $slot  its place in that order, given to it before
     * @return Verdict|null why it was not sent; null if it is on its way
     */
    public function send(
        UnitOfWork $unit,
        Person $person,
        Line $line,
        TextOrigin $origin,
        string $body,
        string $name,
        ?string $number,
        ?int $staffId = null,
        ?string $picture = null,
        bool $anyway = false,
        bool $mayWait = true,
        ?\DateTimeImmutable $slot = null,
    ): ?Verdict {
        $now = $unit->now;
        $business = $unit->reader->business();
        $to = $unit->contexts->stillReceiver($person, $number);
        $on = $line->read();
        [$departed, $turn] = $on->pace->isLimited() ? $unit->texts->reservedSlots($line->key, $on->pace->looksBack($now)) : [[], 0];
        $verdict = Gate::judge(
            new Candidate(
                $origin, TextKind::Service, $body, $to, ActivationState::On, $line->power, $line->name, $business->sending,
                businessZone: $business->zone, pace: $on->pace, departed: $departed, slot: $slot, turn: $turn, health: $on->health,
                lineCountries: $on->countries, lineHours: $origin === TextOrigin::Staff && ! $anyway ? $on->hours : null,
            ),
            $unit->reader->policy(),
            $now,
        )->verdict();
        // A line that is busy gives it the next place; it leaves then without being asked again.
        if ($verdict->say !== Say::Pass && ! $verdict->takesSlot) {
            return $verdict;
        }
        $leaves = $anyway ? $now : $verdict->until ?? $now;
        if (! $mayWait && $leaves->getTimestamp() > $now->getTimestamp() + self::SHORT_SECONDS) {
            return $verdict;
        }
        if ($on->pace->isLimited() && $slot === null) {
            $unit->texts->reserveSlot($line->key, $leaves);
        }
        $composed = Composed::plain($body, $to, $business, $picture !== null);
        $conversation = Conversation::query()->firstOrCreate(['person_id' => $person->id, 'line_id' => $line->id], ['last_at' => $now]);
        $message = Message::query()->create([
            'name' => $name, 'key' => (string) Str::uuid7(),
            'origin' => $origin === TextOrigin::Staff ? MessageOrigin::Staff : MessageOrigin::Words, 'state' => MessageState::Ready,
            'person_id' => $person->id, 'line_id' => $line->id, 'conversation_id' => $conversation->id, 'staff_id' => $staffId,
            'kind' => TextKind::Service, 'number' => $to->number, 'body' => $composed->body,
            'picture' => $picture,
            'encoding' => $composed->length->encoding->value, 'parts' => $composed->length->parts, 'price_micros' => $composed->price,
            'currency' => $business->tariff->currency, 'wanted_at' => $now, 'left_at' => $leaves, 'at' => $now,
            ...($leaves > $now ? ['retry_at' => $leaves, 'reason' => $verdict->reason->toArray()] : []),
        ]);
        $conversation->update(['last_message_id' => $message->id, 'last_at' => $now]);

        return null;
    }
}
