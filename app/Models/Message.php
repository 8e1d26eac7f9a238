<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Reason;
use Linnet\Core\Rule\Step\TextKind;
use Linnet\Core\Text\Words\Meaning;

/**
 * A text, out or in, with its fate.
 *
 * @property int $id
 * @property string $name unique: run/step/round, or where it came from
 * @property string|null $key what the carrier knows it by, random; null for texts that came in
 * @property MessageOrigin $origin
 * @property MessageState $state
 * @property int $person_id
 * @property int $line_id
 * @property int|null $conversation_id
 * @property int|null $run_id
 * @property int|null $rule_id
 * @property int|null $staff_id
 * @property string|null $step
 * @property TextKind|null $kind
 * @property string|null $number E.164 it goes to or came from
 * @property string|null $template
 * @property string $body
 * @property Meaning|null $meaning
 * @property string|null $encoding
 * @property int $parts
 * @property int $price_micros millionths of the currency's unit
 * @property string|null $currency
 * @property array{code: string, with: array<string, mixed>}|null $reason
 * @property list<array{say: string, code: string, with: array<string, mixed>}>|null $verdicts
 * @property int|null $to_staff_id whom it goes to, where not to the person
 * @property string|null $wording
 * @property string|null $picture address of a picture that goes with it
 * @property CarbonImmutable|null $anchor_at the date it hangs on
 * @property bool $held_against a failure that counts against its line
 * @property bool $released somebody has let it go
 * @property CarbonImmutable|null $release_at from when on that counts; null for at once
 * @property int|null $put_to_run_id of a text that came in: the run whose question it was put to
 * @property int|null $put_to_rule_id its rule
 * @property string|null $put_to_step the question
 * @property int|null $answer which of the question's answers; null where none fits
 * @property CarbonImmutable $wanted_at
 * @property CarbonImmutable|null $left_at
 * @property CarbonImmutable|null $handed_at
 * @property CarbonImmutable|null $status_at
 * @property string|null $carrier_ref
 * @property int $attempts
 * @property int|null $rule_version_id
 * @property string|null $carrier_said its last answer, word for word
 * @property CarbonImmutable|null $retry_at
 * @property string|null $leased_by who is handing it over now
 * @property CarbonImmutable|null $leased_until by the machine's own clock
 * @property CarbonImmutable $at
 * @property CarbonImmutable|null $answered_at when they wrote back to it
 * @property bool $ended what they wrote was a stop
 * @property-read Person $person
 * @property-read Line $line
 * @property-read Run|null $run
 * @property-read Rule|null $rule
 * @property-read Staff|null $staff
 * @property-read Staff|null $toStaff
 */
final class Message extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'origin' => MessageOrigin::class, 'state' => MessageState::class, 'kind' => TextKind::class, 'meaning' => Meaning::class,
            'reason' => 'array', 'verdicts' => 'array', 'wanted_at' => 'immutable_datetime', 'left_at' => 'immutable_datetime',
            'handed_at' => 'immutable_datetime', 'status_at' => 'immutable_datetime', 'retry_at' => 'immutable_datetime',
            'leased_until' => 'immutable_datetime',
            'at' => 'immutable_datetime', 'anchor_at' => 'immutable_datetime', 'answered_at' => 'immutable_datetime', 'ended' => 'boolean',
            'released' => 'boolean', 'release_at' => 'immutable_datetime', 'held_against' => 'boolean',
        ];
    }

    /** @param  Builder<self>  $query  narrowed to texts that failed, miss a value, or could not go */
    public function scopeTroubled(Builder $query): void
    {
        // A column the database works out by itself; its indexes hold those alone.
        $query->whereRaw('messages.troubled');
    }

    /** @param  Builder<self>  $query  narrowed to texts that wait, or were set aside */
    public function scopeKept(Builder $query): void
    {
        // As the indexes say it that hold those alone.
        $query->whereRaw("state in ('waiting', 'set_aside')");
    }

    /** @param  Builder<self>  $query  narrowed to texts that somebody has to let go */
    public function scopeAwaitingRelease(Builder $query): void
    {
        $query
            ->kept()
            ->where('state', MessageState::Waiting)
            ->where('released', false)
            ->whereLike('reason', '%"gate.not_released"%');
    }

    /** @param  Builder<self>  $query  narrowed to texts that were let go, and may still be held back */
    public function scopeLetGo(Builder $query, \DateTimeImmutable $now): void
    {
        $query
            ->kept()
            ->where('state', MessageState::Waiting)
            ->where('released', true)
            ->where('release_at', '>', $now);
    }

    /**
     * It had passed the gate and will not be handed over: it counts as gone out nowhere, the month's budget included.
     *
     * @param  array<string, mixed>  $more
     */
    public function neverLeft(MessageState $state, Reason $reason, array $more = []): void
    {
        if ($this->left_at !== null && $this->origin === MessageOrigin::Rule) {
            $day = $this->left_at->setTimezone(new \DateTimeZone(Business::ours()->zone))->format('Y-m-d');
            DB::table('spent_days')
                ->where('day', $day)
                ->where('micros', '>=', $this->price_micros)
                ->decrement('micros', $this->price_micros);
        }
        $this->update(['state' => $state, 'left_at' => null, 'reason' => $reason->toArray()] + $more);
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** @return BelongsTo<Line, $this> */
    public function line(): BelongsTo
    {
        return $this->belongsTo(Line::class);
    }

    /** @return BelongsTo<Run, $this> */
    public function run(): BelongsTo
    {
        return $this->belongsTo(Run::class);
    }

    /** @return BelongsTo<Rule, $this> */
    public function rule(): BelongsTo
    {
        return $this->belongsTo(Rule::class);
    }

    /** @return BelongsTo<Staff, $this> */
    public function toStaff(): BelongsTo
    {
        return $this->belongsTo(Staff::class, 'to_staff_id');
    }

    /** Whom it goes to where that is not the person it is about; null otherwise. */
    public function colleague(): ?string
    {
        return $this->origin !== MessageOrigin::Notice
            ? null
            : $this->toStaff->name ?? ($this->number === null ? 'a colleague' : Numbers::pretty($this->number));
    }

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }

    public function isInbound(): bool
    {
        return $this->origin === MessageOrigin::Them;
    }
}
