<?php

declare(strict_types=1);

namespace App\Inbound;

use App\Models\ForecastMark;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\Number;
use App\Models\Receipt;
use App\Models\TrialText;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Reason;
use Psr\Clock\ClockInterface;

/** Takes what the carrier says of a text, in any order and as often as it likes. */
final readonly class Receipts
{
    /** Failures that carriers hold against a sender. */
    private const HELD_AGAINST = [...self::NOBODYS, 'refused_as_unwanted'];

    /** Nobody has the number. */
    private const NOBODYS = ['no_such_number', 'invalid_number'];

    private const STATES = ['arrived' => MessageState::Arrived, 'failed' => MessageState::Failed];

    public function __construct(private ClockInterface $clock, private DeliveryStatusHandler $statuses)
    {
    }

    /**
     * @param  string|null  $key  the idempotency key the text was handed over under: known even where the carrier's answer was lost; null
     *                            from a carrier that knows none
     * @param  string  $ref  the carrier's own name for it
     * @param  string  $fate  arrived or failed; anything else is kept and changes nothing
     * @param  string  $code  why it failed, in the carrier's own word
     * @return bool false if no such text is known
     */
    public function receive(?string $key, string $ref, string $fate, ?string $detail, \DateTimeImmutable $at, string $code = ''): bool
    {
        return DB::transaction(function () use ($key, $ref, $fate, $detail, $at, $code): bool {
            $message = Message::query()->where($key === null ? 'carrier_ref' : 'key', $key ?? $ref)->lockForUpdate()->first();
            if ($message === null) {
                return $key !== null && TrialText::fate($key, $fate, $detail);
            }
            $new = Receipt::query()->insertOrIgnore([
                'message_id' => $message->id, 'fate' => $fate, 'detail' => $detail, 'at' => $at->format('Y-m-d H:i:s.v'),
            ]) === 1;
            $state = self::STATES[$fate] ?? null;
            // The carrier's own time decides between two fates, not the order they come in.
            $later = Receipt::query()->where('message_id', $message->id)->whereIn('fate', array_keys(self::STATES))
                ->where('fate', '!=', $fate)->where('at', '>', $at->format('Y-m-d H:i:s.v'))->exists();
            if ($new && $state !== null && ! $later && in_array($message->state, MessageState::offered(), true)) {
                $message->update([
                    'state' => $state,
                    'carrier_ref' => $ref,
                    'handed_at' => $message->handed_at ?? $this->clock->now(),
                    'status_at' => $this->clock->now(),
                    'reason' => $state === MessageState::Failed ? (new Reason('carrier.failed', ['detail' => $detail ?? '']))->toArray() : null,
                    'held_against' => $state === MessageState::Failed && in_array($code, self::HELD_AGAINST, true),
                ]);
                if ($state === MessageState::Arrived) {
                    // Somebody has it after all.
                    if (Number::query()->where('e164', $message->number)->where('alive', false)->update(['alive' => true]) > 0) {
                        ForecastMark::leave([$message->person_id]);
                    }
                }
                if ($state === MessageState::Failed) {
                    $this->statuses->failed($message, in_array($code, self::NOBODYS, true), $this->clock->now());
                }
            }

            return true;
        });
    }
}
