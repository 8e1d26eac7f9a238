<?php

declare(strict_types=1);

namespace App\Intake;

use App\Database\Trouble;
use App\Models\Delivery;
use App\Models\DeliveryState;
use App\Models\RecordType;
use App\Models\Source;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Intake\Body;
use Linnet\Core\Intake\Cleaned;
use Linnet\Core\Intake\LeftOut;
use Linnet\Core\Intake\Mapping;
use Linnet\Core\Intake\Opened;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Intake\Targets;
use Linnet\Core\Reason;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\Field;
use Psr\Clock\ClockInterface;

/** Takes what a source sends. Every delivery is kept as it came, good or refused, with the reason; any can be taken again. */
final readonly class Deliveries
{
    /** Of those that do not show that they come from the source, so many are kept. */
    public const SAMPLES = 20;

    private const SAMPLES_OF_OURS = 500;

    /** So much of each. */
    private const SAMPLE_BYTES = 4096;

    /** What is kept of a delivery that is too large. */
    private const CUT_BYTES = 65_536;

    /** Headers that say how a body is to be read. */
    public const HEADERS = '/^(content-type|webhook-id|webhook-timestamp|ce-[a-z0-9]{1,40})$/';

    public function __construct(private ClockInterface $clock, private RecordWriter $writer, private int $maxBytes)
    {
    }

    /**
     * @param  array<string, string>  $headers  by name in small letters
     * @param  Reason|null  $doubt  why it is not believed to come from the source
     */
    public function receive(Source $source, string $body, array $headers, ?Reason $doubt): Delivery
    {
        if ($doubt !== null) {
            return $this->sample($source, $body, $headers, $doubt);
        }
        if (strlen($body) > $this->maxBytes) {
            return $this->store(
                $source, $body, $headers, DeliveryState::Refused,
                new Reason('intake.too_large', ['kilobytes' => intdiv($this->maxBytes, 1024)]),
            );
        }
        $mapping = $source->readMapping();
        if ($source->power !== ActivationState::On || $mapping === null) {
            return $this->store(
                $source, $body, $headers, DeliveryState::Kept, new Reason($mapping === null ? 'intake.not_mapped' : 'intake.source_paused'),
            );
        }
        try {
            return $this->process($source, $mapping, $body, $headers);
        } catch (Refused $e) {
            return $this->store($source, $body, $headers, DeliveryState::Refused, $e->reason());
        } catch (\Throwable $e) {
            if (Trouble::passes($e)) {
                throw $e;
            }
            report($e);

            return $this->store($source, $body, $headers, DeliveryState::Refused, self::failed($e));
        }
    }

    /** Whatever fails while it is worked on, it is there to be taken again. */
    private static function failed(\Throwable $e): Reason
    {
        return new Reason('intake.failed', ['detail' => Trouble::says($e, 200)]);
    }

    /**
     * @param  array<string, string>  $headers
     *
     * @throws Refused
     */
    private function process(Source $source, Mapping $mapping, string $body, array $headers): Delivery
    {
        $opened = Body::open($body, $headers);
        $cleaned = $mapping->clean($opened->tree, self::targets($mapping));
        if ($cleaned instanceof LeftOut) {
            return $this->store($source, $body, $headers, DeliveryState::LeftOut, $cleaned->reason);
        }

        return DB::transaction(function () use ($source, $body, $headers, $cleaned, $opened): Delivery {
            $fingerprint = hash('sha256', $opened->messageId === null ? $body : "id:$opened->messageId");
            if (Delivery::query()->where('source_id', $source->id)->where('fingerprint', $fingerprint)->exists()) {
                return $this->store($source, $body, $headers, DeliveryState::Repeated, new Reason('intake.repeated'));
            }
            $delivery = $this->store($source, $body, $headers, DeliveryState::Taken, null, $fingerprint);
            $this->write($delivery, $source, $cleaned);

            return $delivery;
        });
    }

    /** Takes a delivery that was kept, as its source's mapping is now. One that was used before changes what it wrote then. */
    public function takeAgain(Delivery $delivery): void
    {
        try {
            $this->again($delivery);
        } catch (\Throwable $e) {
            if (Trouble::passes($e)) {
                throw $e;
            }
            report($e);
            $delivery
                ->refresh()
                ->update([
                    'state' => DeliveryState::Refused,
                    'reason' => self::failed($e)->toArray(),
                    'replayed_at' => $this->clock->now(),
                ]);
        }
    }

    private function again(Delivery $delivery): void
    {
        $source = $delivery->source;
        DB::transaction(function () use ($delivery, $source): void {
            $delivery->fill(['replayed_at' => $this->clock->now()]);
            try {
                [$cleaned, $opened] = $this->read($delivery, $source->readMapping());
            } catch (Refused $e) {
                $delivery->fill(['state' => DeliveryState::Refused, 'reason' => $e->reason()->toArray()])->save();

                return;
            }
            if ($cleaned instanceof LeftOut) {
                $delivery->fill(['state' => DeliveryState::LeftOut, 'reason' => $cleaned->reason->toArray()])->save();

                return;
            }
            $fingerprint = hash('sha256', $opened->messageId === null ? $delivery->bytes() : "id:$opened->messageId");
            if ($delivery->fingerprint === null) {
                if (Delivery::query()->where('source_id', $source->id)->where('fingerprint', $fingerprint)->exists()) {
                    $delivery->fill(['state' => DeliveryState::Repeated, 'reason' => (new Reason('intake.repeated'))->toArray()])->save();

                    return;
                }
                $delivery->fingerprint = $fingerprint;
            }
            $this->write($delivery, $source, $cleaned);
        });
    }

    /**
     * What taking a kept delivery would do.
     *
     * @throws Refused
     */
    public function plan(Delivery $delivery, Mapping $mapping): Written|LeftOut
    {
        [$cleaned] = $this->read($delivery, $mapping);

        return $cleaned instanceof LeftOut
            ? $cleaned
            : $this->writer->plan($cleaned, ChangeOrigin::delivery($delivery->source, $delivery->id));
    }

    /** @return array<string, Field> */
    public static function targets(Mapping $mapping): array
    {
        $type =
            RecordType::query()->where('key', $mapping->type)->with('fields')->first() ??
            throw Refused::because('type_gone', ['type' => $mapping->type]);

        return Targets::of($type->read(), RecordType::people()->read());
    }

    /**
     * @return array{Cleaned|LeftOut, Opened}
     *
     * @throws Refused
     */
    private function read(Delivery $delivery, ?Mapping $mapping): array
    {
        if ($delivery->is_cut) {
            throw Refused::because('too_large', ['kilobytes' => intdiv($this->maxBytes, 1024)]);
        }
        if ($mapping === null) {
            throw Refused::because('not_mapped');
        }
        $opened = Body::open($delivery->bytes(), $delivery->headers ?? []);

        return [$mapping->clean($opened->tree, self::targets($mapping)), $opened];
    }

    private function write(Delivery $delivery, Source $source, Cleaned $cleaned): void
    {
        try {
            $written = $this->writer->upsert($cleaned, ChangeOrigin::delivery($source, $delivery->id));
        } catch (Refused $e) {
            $delivery->fill(['state' => DeliveryState::Refused, 'fingerprint' => null, 'reason' => $e->reason()->toArray()])->save();

            return;
        }
        $reason = match ($written->outcome) {
            IntakeResult::Late => new Reason('intake.late'),
            IntakeResult::Same => new Reason('intake.same'),
            default => $cleaned->note,
        };
        $delivery->fill([
            'state' => $written->outcome === IntakeResult::Late ? DeliveryState::Late : DeliveryState::Taken,
            'reason' => $reason?->toArray(), 'record_id' => $written->recordId,
        ])->save();
    }

    /**
     * What does not show that it comes from the source: counted, and only the last few kept, cut short, so that nobody fills the disk.
     *
     * @param  array<string, string>  $headers
     */
    private function sample(Source $source, string $body, array $headers, Reason $doubt): Delivery
    {
        return DB::transaction(function () use ($source, $body, $headers, $doubt): Delivery {
            DB::table('sources')->where('id', $source->id)->increment('unproven');
            // Where nobody can show it, since we have lost the secret, more is kept, and whole.
            [$most, $bytes] =
                $doubt->code === 'intake.secret_lost' ? [self::SAMPLES_OF_OURS, $this->maxBytes] : [self::SAMPLES, self::SAMPLE_BYTES];
            $kept = DB::table('deliveries')
                ->where('source_id', $source->id)
                ->where('unproven', true)
                ->orderByDesc('id')
                ->skip($most - 1)
                ->limit(100)
                ->pluck('id');
            DB::table('deliveries')->whereIn('id', $kept)->delete();
            $delivery = $this->store($source, substr($body, 0, $bytes), $headers, DeliveryState::Refused, $doubt);
            $delivery->update(['unproven' => true, 'is_cut' => strlen($body) > $bytes]);

            return $delivery;
        });
    }

    /** @param  array<string, string>  $headers */
    private function store(
        Source $source,
        string $body,
        array $headers,
        DeliveryState $state,
        ?Reason $reason,
        ?string $fingerprint = null,
    ): Delivery {
        $isCut = strlen($body) > $this->maxBytes;
        $kept = $isCut ? substr($body, 0, self::CUT_BYTES) : $body;
        $isBinary = ! mb_check_encoding($kept, 'UTF-8') || str_contains($kept, "\0");

        return Delivery::query()->create([
            'source_id' => $source->id, 'state' => $state, 'fingerprint' => $fingerprint,
            'body' => $isBinary ? base64_encode($kept) : $kept, 'is_binary' => $isBinary, 'is_cut' => $isCut, 'bytes' => strlen($kept),
            'headers' => self::known($headers), 'reason' => $reason?->toArray(), 'at' => $this->clock->now(),
        ]);
    }

    /**
     * @param  array<string, string>  $headers
     * @return array<string, string>
     */
    private static function known(array $headers): array
    {
        $kept = array_filter($headers, fn (string $name): bool => preg_match(self::HEADERS, $name) === 1, ARRAY_FILTER_USE_KEY);

        return array_map(
            fn (string $value): string => mb_substr(mb_scrub($value, 'UTF-8'), 0, 300, 'UTF-8'),
            array_slice($kept, 0, 30, true),
        );
    }
}
