<?php

declare(strict_types=1);

namespace Standins;

use Demo\MovableClock;
use Illuminate\Support\Facades\DB;

/**
 * A telephone system with habits of its own: it writes numbers as they would be dialled from the quay, gives times in milliseconds,
 * and says why nobody answered, or null where somebody did.
 */
final readonly class PhoneSystem
{
    public function __construct(private MovableClock $clock)
    {
    }

    public function call(string $from, string $to, bool $withheld, bool $answered, How $how): void
    {
        $now = $this->clock->now();
        $id = DB::table('calls')->insertGetId(['from' => $from, 'to' => $to, 'answered' => $answered, 'at' => $now->format('Y-m-d H:i:s')]);
        $ring = 14_000 + crc32("ring $id") % 18_000;
        $body = json_encode([
            'evt' => 'call.over',
            'ref' => sprintf('OQ-%06d', $id),
            'cli' => $withheld ? 'WITHHELD' : self::dialled($from),
            'ddi' => self::dialled($to),
            't0' => ($now->getTimestamp() - intdiv($ring, 1000)) * 1000,
            'ring' => ['ms' => $ring, 'ext' => ['201', '202']],
            'why_unanswered' => $answered ? null : 'rang out',
        ], JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT);

        Courier::send('/in/phone', config()->string('standins.phone_secret'), $body, how: $how);
    }

    /** A number as somebody on the quay would dial it. */
    private static function dialled(string $e164): string
    {
        return match (true) {
            str_starts_with($e164, '+447') => '(0)'.substr($e164, 3, 4).' '.substr($e164, 7, 3).' '.substr($e164, 10),
            str_starts_with($e164, '+44') => '0044-'.substr($e164, 3),
            str_starts_with($e164, '+1') => '00 1 ('.substr($e164, 2, 3).') '.substr($e164, 5, 3).'-'.substr($e164, 8),
            default => '00'.substr($e164, 1),
        };
    }
}
