<?php

declare(strict_types=1);

namespace App\Engine;

use App\Clock\TimeFormatter;
use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Models\Business;
use App\Models\ForecastMark;
use App\Models\Line;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use App\Models\Notice;
use App\Models\Person;
use App\Models\ScheduledText;
use App\Models\Staff;
use App\Sentences\Sentence;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Gate\TextOrigin;
use Linnet\Core\Gate\Verdict;
use Linnet\Core\Reason;
use Linnet\Core\Rule\Step\TextKind;
use Linnet\Core\Text\Length;
use Psr\Clock\ClockInterface;

/**
 * Texts that somebody typed for a moment to come. They leave by the engine's loop, in the person's own order, past the checks of what is
 * typed by hand as things are then; one that may not go is told to whoever wrote it.
 */
final readonly class ScheduledTexts
{
    private const AT_ONCE = 50;

    public function __construct(
        private ClockInterface $clock,
        private DatabaseSideEffects $sideEffects,
        private DirectTexts $direct,
    ) {
    }

    /** @param  bool  $anyway  even while the line is closed or busy then */
    public function add(
        Person $person,
        Line $line,
        string $number,
        Staff $staff,
        string $body,
        \DateTimeImmutable $leavesAt,
        ?string $picture = null,
        bool $anyway = false,
    ): ScheduledText {
        return DB::transaction(function () use ($person, $line, $number, $staff, $body, $leavesAt, $picture, $anyway): ScheduledText {
            ForecastMark::leave([$person->id]);

            return ScheduledText::query()->create([
                'person_id' => $person->id, 'line_id' => $line->id, 'number' => $number, 'staff_id' => $staff->id, 'body' => $body,
                'picture' => $picture, 'leaves_at' => $leavesAt, 'anyway' => $anyway, 'at' => $this->clock->now(),
            ]);
        });
    }

    /**
     * Moved, it gives up its place in the line's order.
     *
     * @param  array{body?: string, leaves_at?: \DateTimeImmutable, anyway?: bool}  $to
     * @return bool false where it has left by now
     */
    public function change(int $id, array $to): bool
    {
        $to += isset($to['leaves_at']) ? ['slot_at' => null] : [];

        return $this->onOne($id, fn (ScheduledText $text): bool => $text->update($to));
    }

    /** @return bool false where it has left by now */
    public function takeBack(int $id): bool
    {
        return $this->onOne($id, fn (ScheduledText $text): ?bool => $text->delete());
    }

    /**
     * @param  bool  $anyway  even while the line is closed or busy
     * @return bool|Verdict false where it has left by now; where its line is closed or busy why it stays as it is, and until when
     */
    public function sendNow(int $id, bool $anyway): bool|Verdict
    {
        return $this->leave($id, true, $anyway);
    }

    /** Those that are due, the earliest first, each in a transaction of its own. */
    public function sendDue(Batch $batch): void
    {
        $due = ScheduledText::query()
            ->when($batch->only !== null, fn (Builder $query) => $query->whereKey($batch->only))
            ->where('leaves_at', '<=', $this->clock->now())
            ->orderBy('leaves_at')
            ->orderBy('id')
            ->limit(self::AT_ONCE)
            ->pluck('id');
        $batch->holds(array_values(array_map(intval(...), $due->all())));
        foreach ($batch->ids() as $id) {
            $this->leave($id, false);
        }
    }

    private function leave(int $id, bool $isEarly, bool $anyway = false): bool|Verdict
    {
        $person = ScheduledText::query()->whereKey($id)->value('person_id');
        if ($person === null) {
            return false;
        }

        $leave = function (UnitOfWork $unit) use ($id, $isEarly, $anyway): bool|Verdict {
            // Read behind the person's lock: somebody may have moved it, or sent it.
            $text = ScheduledText::query()->with('line')->whereKey($id)->lockForUpdate()->first();
            $person = $text === null ? null : $unit->reader->person($text->person_id);
            if ($text === null || $person === null || (! $isEarly && ($text->leaves_at === null || $text->leaves_at > $unit->now))) {
                return false;
            }
            $verdict = $this->direct->send(
                $unit, $person, $text->line, TextOrigin::Staff, $text->body, "scheduled/$text->id", $text->number, $text->staff_id,
                $text->picture, $anyway || $text->anyway, false, $text->slot_at,
            );
            if ($verdict?->until !== null) {
                return $isEarly ? $verdict : $this->waits($unit, $text, $verdict->until, $verdict->takesSlot);
            }
            if ($verdict === null) {
                DirectTexts::answered($text->person_id, $text->line_id, $text->at);
                $unit->conductor->wrote($text->person_id, (string) Staff::query()->whereKey($text->staff_id)->value('name'));
            } else {
                $this->refuse($unit, $text, $person->called, $verdict->reason);
            }
            $text->delete();
            ForecastMark::leave([$text->person_id]);

            return true;
        };

        return UnitOfWork::transaction($this->clock->now(), $this->sideEffects, $leave, [(int) $person]);
    }

    /** Its line is closed, or busy and keeps a place for it: it stands among what is coming until then. */
    private function waits(UnitOfWork $unit, ScheduledText $text, \DateTimeImmutable $until, bool $takesSlot): bool
    {
        if ($takesSlot && $text->slot_at === null) {
            $unit->texts->reserveSlot($text->line->key, $until);
        }
        ForecastMark::leave([$text->person_id]);

        return $text->update(['leaves_at' => $until, 'slot_at' => $takesSlot ? $until : null]);
    }

    /** It stands in the log with its reason, and whoever wrote it is told. */
    private function refuse(UnitOfWork $unit, ScheduledText $text, string $called, Reason $reason): void
    {
        $length = Length::of($text->body);
        $message = Message::query()->create([
            'name' => "scheduled/$text->id", 'origin' => MessageOrigin::Staff, 'state' => MessageState::Dropped,
            'person_id' => $text->person_id, 'line_id' => $text->line_id, 'staff_id' => $text->staff_id, 'kind' => TextKind::Service,
            'number' => $text->number, 'body' => $text->body, 'encoding' => $length->encoding->value, 'parts' => $length->parts,
            'price_micros' => 0, 'currency' => $unit->reader->business()->tariff->currency, 'reason' => $reason->toArray(),
            'wanted_at' => $text->leaves_at ?? $unit->now, 'at' => $unit->now,
        ]);
        $unit->runs->trace($reason, null, null, $text->person_id, null, $message->id);
        $when = TimeFormatter::momentIn($text->leaves_at ?? $unit->now, Business::ours()->zone);
        Notice::query()->create([
            'name' => "scheduled/$text->id", 'staff_id' => $text->staff_id, 'person_id' => $text->person_id, 'at' => $unit->now,
            'words' => "Your text to $called for $when did not go. ".Sentence::of($reason),
        ]);
    }

    /** @param  \Closure(ScheduledText): mixed  $work */
    private function onOne(int $id, \Closure $work): bool
    {
        return DB::transaction(function () use ($id, $work): bool {
            $text = ScheduledText::query()->whereKey($id)->lockForUpdate()->first();
            if ($text === null) {
                return false;
            }
            $work($text);
            ForecastMark::leave([$text->person_id]);

            return true;
        });
    }
}
