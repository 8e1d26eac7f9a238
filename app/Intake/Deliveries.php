<?php

declare(strict_types=1);

namespace App\Intake;

use App\Models\Delivery;
use App\Models\DeliveryState;
use App\Models\Source;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Intake\Cleaned;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Reason;
use Psr\Clock\ClockInterface;

/** Takes what a source sends. Every delivery is kept as it came, good or refused, with the reason. */
final readonly class Deliveries
{
    private const KEPT_CHARACTERS = 65_536;

    public function __construct(private ClockInterface $clock, private Door $door, private int $mostBytes)
    {
    }

    public function take(Source $source, string $body, bool $secretIsRight): Delivery
    {
        if (! $secretIsRight) {
            return $this->refuse($source, $body, new Reason('intake.wrong_secret'));
        }
        if (strlen($body) > $this->mostBytes) {
            return $this->refuse($source, $body, new Reason('intake.too_large', ['kilobytes' => intdiv($this->mostBytes, 1024)]));
        }
        try {
            $cleaned = $source->readMapping()->clean($this->decode($body));
        } catch (Refused $e) {
            return $this->refuse($source, $body, $e->reason());
        }
        if (! $cleaned instanceof Cleaned) {
            return $this->keep($source, $body, DeliveryState::LeftOut, $cleaned->reason);
        }

        return DB::transaction(function () use ($source, $body, $cleaned): Delivery {
            $fingerprint = hash('sha256', $body);
            if (Delivery::query()->where('source_id', $source->id)->where('fingerprint', $fingerprint)->exists()) {
                return $this->keep($source, $body, DeliveryState::Repeated, new Reason('intake.repeated'));
            }
            $delivery = $this->keep($source, $body, DeliveryState::Taken, $cleaned->note, $fingerprint);
            $delivery->update(['record_id' => $this->door->take($cleaned, $this->clock->now(), $delivery->id)->id]);

            return $delivery;
        });
    }

    /** @throws Refused */
    private function decode(string $body): mixed
    {
        try {
            return json_decode($body, true, 32, JSON_THROW_ON_ERROR);
        } catch (\JsonException $e) {
            throw Refused::because($body === '' ? 'empty' : 'not_json', ['detail' => $e->getMessage()]);
        }
    }

    private function refuse(Source $source, string $body, Reason $reason): Delivery
    {
        return $this->keep($source, $body, DeliveryState::Refused, $reason);
    }

    private function keep(Source $source, string $body, DeliveryState $state, ?Reason $reason, ?string $fingerprint = null): Delivery
    {
        return Delivery::query()->create([
            'source_id' => $source->id,
            'state' => $state,
            'fingerprint' => $fingerprint,
            'body' => mb_substr(mb_scrub($body, 'UTF-8'), 0, self::KEPT_CHARACTERS, 'UTF-8'),
            'reason' => $reason?->toArray(),
            'at' => $this->clock->now(),
        ]);
    }
}
