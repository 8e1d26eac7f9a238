<?php

declare(strict_types=1);

namespace Standins;

use Demo\MovableClock;
use Demo\People;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Takes texts under an idempotency key, refuses what cannot arrive, filters repeats, and says later what became of each. */
final readonly class Carrier
{
    public function __construct(private MovableClock $clock)
    {
    }

    /** @return array{int, array<string, string>} HTTP status and answer */
    public function accept(string $key, string $from, string $to, string $text, ?string $picture = null): array
    {
        if (Manner::Slow->isOn() || Manner::Hung->isOn()) {
            sleep(Manner::Hung->isOn() ? 10 : 2);
        }
        if (Manner::Error->isOn() && DB::table('first_tries')->insertOrIgnore(['key' => $key]) === 1) {
            return [503, ['problem' => 'busy']];
        }

        // Without keys, every offer is a text of its own, and nothing is filtered: the ledger shows what was offered twice.
        $key = Manner::NoKeys->isOn() ? 'none-'.Str::random(20) : $key;
        if (($known = $this->again($key)) !== null) {
            return [202, ['ref' => $known]];
        }
        $now = $this->clock->now();
        $handset = People::of($to)['handset'] ?? 'mobile';
        $repeat = ! Manner::NoKeys->isOn() && DB::table('texts')
            ->where('to', $to)
            ->where('from', $from)
            ->where(
                'at',
                '>',
                $now->modify('-'.config()->integer('standins.filter_repeats_within_seconds').' seconds')->format('Y-m-d H:i:s'),
            )
            ->where('text', $text)
            ->exists();
        $problem = match (true) {
            preg_match('/^\+\d{7,15}$/', $to) !== 1 => 'not a number',
            preg_match('/^\+\d{7,15}$|^(?=.*[A-Za-z])[A-Za-z0-9 ]{1,11}$/', $from) !== 1 => 'no sender: a number, or a name of up to eleven letters, digits and spaces',
            $text === '' => 'nothing to send',
            $handset === 'landline' => 'a landline takes no texts',
            $repeat => 'filtered: the same text twice',
            default => null,
        };
        if ($problem !== null) {
            return [422, ['problem' => $problem]];
        }
        $ref = 'C'.Str::upper(Str::random(10));
        $fate = $handset === 'dead' ? 'failed' : 'arrived';
        // Others write too: only what must be one is.
        $taken = DB::transaction(function () use ($ref, $key, $from, $to, $text, $picture, $fate, $now): bool {
            $new =
                DB::table('texts')->insertOrIgnore([
                    'ref' => $ref, 'key' => $key, 'from' => $from, 'to' => $to, 'text' => $text, 'picture' => $picture, 'fate' => $fate,
                    'at' => $now->format('Y-m-d H:i:s'),
                ]) === 1;
            $new && $this->promiseReceipt($ref, $key, $fate, $now);

            return $new;
        });

        return [202, ['ref' => $taken ? $ref : (string) $this->again($key)]];
    }

    /** The ref of a text that was offered before under the same key; that it was offered again is counted. */
    private function again(string $key): ?string
    {
        $ref = DB::table('texts')->where('key', $key)->value('ref');
        is_string($ref) && DB::table('texts')->where('key', $key)->increment('offered');

        return is_string($ref) ? $ref : null;
    }

    /** A handset writes to a line. */
    public function write(string $from, string $to, string $text): void
    {
        $now = $this->clock->now();
        $ref = 'H'.Str::upper(Str::random(10));
        DB::table('texts')->insert([
            'ref' => $ref, 'from' => $from, 'to' => $to, 'text' => $text, 'fate' => 'arrived', 'at' => $now->format('Y-m-d H:i:s'),
        ]);
        foreach (Manner::Duplicate->isOn() ? [0, 1] : [0] as $ignored) {
            $this->post(
                ['kind' => 'text', 'ref' => $ref, 'from' => $from, 'to' => $to, 'text' => $text, 'at' => $now->format('Y-m-d\TH:i:s\Z')],
                0.0,
            );
        }
    }

    private function promiseReceipt(string $ref, string $key, string $fate, \DateTimeImmutable $now): void
    {
        if (Manner::Lost->isOn()) {
            return;
        }
        $delay = (float) config('standins.receipt_delay_seconds');
        $at = fn (int $seconds): string => $now->modify("+$seconds seconds")->format('Y-m-d\TH:i:s\Z');
        $onItsWay = ['kind' => 'receipt', 'ref' => $ref, 'key' => Manner::NoKeys->isOn() ? null : $key, 'fate' => 'on_its_way', 'at' => $at(1)];
        $final = ['kind' => 'receipt', 'ref' => $ref, 'key' => Manner::NoKeys->isOn() ? null : $key, 'fate' => $fate, 'at' => $at(2)]
            + ($fate === 'failed' ? ['detail' => 'nobody has this number', 'code' => 'no_such_number'] : []);
        foreach (Manner::Duplicate->isOn() ? [0, 1] : [0] as $ignored) {
            $this->post($onItsWay, Manner::OutOfOrder->isOn() ? $delay * 2 : $delay / 2);
            $this->post($final, $delay);
        }
    }

    /** @param  array<string, string|null>  $what */
    private function post(array $what, float $delay): void
    {
        Courier::send('/in/carrier', config()->string('standins.carrier_secret'), json_encode($what, JSON_THROW_ON_ERROR), $delay);
    }
}
