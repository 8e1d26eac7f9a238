<?php

declare(strict_types=1);

namespace App\Carrier;

use App\Models\ForecastMark;
use App\Models\Number;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Support\Facades\Http;
use Linnet\Core\Number\NumberKind;
use Linnet\Core\Reason;

/** Asks the number lookup what sort of line a number reaches and whether anybody has it, and remembers what it said and when. */
final readonly class NumberLookup
{
    public function __construct(private string $url, #[\SensitiveParameter] private string $secret, private int $timeoutSeconds)
    {
    }

    public function isThere(): bool
    {
        return $this->url !== '';
    }

    /** @return Reason  what was found; where there is no answer, why, and the number is as it was */
    public function lookUp(Number $number, \DateTimeImmutable $now): Reason
    {
        try {
            $response = Http::withToken($this->secret)
                ->timeout($this->timeoutSeconds)
                ->connectTimeout($this->timeoutSeconds)
                ->withoutRedirecting()
                ->acceptJson()
                ->get("$this->url/".rawurlencode($number->e164));
        } catch (ConnectionException) {
            return $this->reason('failed', $number, 'it gave no answer');
        }
        $kind = NumberKind::tryFrom(is_string($line = $response->json('line')) ? $line : '');
        $inUse = $response->json('in_use');
        if (! $response->successful() || $kind === null || ! is_bool($inUse)) {
            return $this->reason(
                'failed',
                $number,
                $response->successful() ? 'its answer could not be read' : "it answered with HTTP {$response->status()}",
            );
        }
        $number->forceFill(['kind' => $kind, 'alive' => $inUse, 'looked_up_at' => $now])->save();
        ForecastMark::leave([$number->person_id]);

        return $this->reason(match (true) {
            ! $inUse => 'dead',
            ! $kind->takesTexts() => 'no_texts',
            default => 'in_use',
        }, $number);
    }

    private function reason(string $code, Number $number, ?string $detail = null): Reason
    {
        return new Reason("lookup.$code", array_filter(['number' => $number->e164, 'detail' => $detail]));
    }
}
