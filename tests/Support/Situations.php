<?php

declare(strict_types=1);

namespace Tests\Support;

use Linnet\Core\Context\EvaluationContext;
use Linnet\Core\Document\Doc;
use Linnet\Core\Gate\Policy;
use Linnet\Core\Number\NumberKind;
use Linnet\Core\Record\Business;
use Linnet\Core\Record\Facts;
use Linnet\Core\Record\Receiver;
use Linnet\Core\Record\Tariff;
use Linnet\Core\Time\WeeklyHours;

/** The boathouse's surroundings for tests of the core: open 09:00 to 18:00, London. */
final class Situations
{
    /** @param  array<string, mixed>  $facts */
    public static function at(string $now, array $facts = [], bool $optedOut = false, ?string $lastReplyAt = null): EvaluationContext
    {
        return new EvaluationContext(
            now: new \DateTimeImmutable($now),
            facts: Facts::fromJson($facts + ['call' => ['outcome' => 'missed']]),
            who: 'Ana', zone: 'Europe/London', businessZone: 'Europe/London', opening: WeeklyHours::daily('09:00', '18:00'),
            optedOut: $optedOut, lastReplyAt: $lastReplyAt === null ? null : new \DateTimeImmutable($lastReplyAt),
        );
    }

    /** @param  non-empty-list<string>  $zones */
    public static function receiver(
        array $zones = ['Europe/London'],
        bool $optedOut = false,
        bool $optedIn = false,
        ?string $number = '+447700900123',
        NumberKind $kind = NumberKind::Mobile,
        ?bool $alive = null,
        bool $mayHaveOptedOut = false,
    ): Receiver {
        return new Receiver('Ana', $number, 'GB', $kind, $alive, $zones[0], $zones, 'en_GB', $optedOut, $optedIn, $mayHaveOptedOut);
    }

    public static function policy(): Policy
    {
        return Policy::read(Doc::of([
            'decent_hours' => [
                'service' => ['week' => array_fill_keys(WeeklyHours::DAYS, [['08:00', '20:30']])],
                'marketing' => ['week' => array_fill_keys(['mon', 'tue'], [['09:00', '19:00']])],
            ],
            'same_text_seconds' => 3600,
        ]));
    }

    public static function business(): Business
    {
        return new Business('Osier Quay Boathouse', 'Europe/London', 'Reply STOP to hear no more.', Tariff::read(Doc::of([
            'currency' => 'GBP', 'per_part' => ['GB' => 32_000], 'elsewhere' => 90_000,
        ])));
    }
}
