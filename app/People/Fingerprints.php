<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Consent;
use Illuminate\Support\Facades\DB;

/**
 * What is left of a number that said stop and whose person was erased: a keyed hash (HMAC-SHA-256, RFC 2104), from which the number
 * cannot be had back, but by which it is known when it comes in again.
 */
final class Fingerprints
{
    public static function of(string $e164): string
    {
        return hash_hmac('sha256', $e164, 'erased'.config()->string('app.key'));
    }

    /**
     * Enters the stop of those that are known into the ledger.
     *
     * @param  array<string, int>  $numbers  person ids by number
     */
    public static function recall(array $numbers, \DateTimeImmutable $now): void
    {
        if ($numbers === [] || DB::table('fingerprints')->limit(1)->doesntExist()) {
            return;
        }
        $hashes = [];
        foreach (array_keys($numbers) as $number) {
            $hashes[self::of((string) $number)] = (string) $number;
        }
        foreach (array_chunk(array_keys($hashes), 500) as $chunk) {
            foreach (DB::table('fingerprints')->whereIn('hash', $chunk)->pluck('hash') as $hash) {
                $number = $hashes[(string) $hash];
                Consent::query()->create([
                    'person_id' => $numbers[$number], 'number' => $number, 'act' => 'withdrawn', 'scope' => 'all', 'how' => 'erased',
                    'wording' => 'This number had said stop before its person was erased.', 'at' => $now,
                ]);
            }
        }
    }
}
