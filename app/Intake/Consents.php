<?php

declare(strict_types=1);

namespace App\Intake;

use App\Models\Person;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Intake\PersonInput;
use Linnet\Core\Time\Moment;

/**
 * Enters into the ledger what is stated about consent, with its proof. What a file says never undoes a stop: only the person can.
 */
final class Consents
{
    /** @var list<array<string, mixed>> */
    private array $rows = [];

    /** @var array<string, string> the last act of this batch by number and scope */
    private array $entered = [];

    /** @var array<string, array{act: string, at: string}|null> what the ledger says last, by number and scope */
    private array $last = [];

    /** @param  iterable<PersonInput>  $said  of whom something may be stated: what the ledger says of them is read at once */
    public function __construct(private readonly ChangeOrigin $origin, private readonly \DateTimeImmutable $now, iterable $said = [])
    {
        $numbers = [];
        foreach ($said as $one) {
            if ($one->consent !== null && $one->number !== null) {
                $numbers[$one->number->e164] = true;
            }
        }
        $this->read(array_keys($numbers));
    }

    public function record(PersonInput $said, ?Person $person): void
    {
        $number = $said->number->e164 ?? $person->number->e164 ?? null;
        if ($said->consent === null || $person === null || $number === null) {
            return;
        }
        $at = $said->consent->at === null ? null : Moment::parse($said->consent->at)?->at;
        if ($said->consent->stopped) {
            $this->enter($person->id, $number, 'withdrawn', 'all', $said->consent->wording, $at);
        }
        if ($said->consent->marketing !== null) {
            $this->enter(
                $person->id, $number, $said->consent->marketing ? 'granted' : 'withdrawn', 'marketing', $said->consent->wording, $at,
            );
        }
    }

    public function flush(): void
    {
        foreach (array_chunk($this->rows, 500) as $chunk) {
            DB::table('consents')->insert($chunk);
        }
        $this->rows = [];
    }

    /** @param  list<string>  $numbers */
    private function read(array $numbers): void
    {
        foreach (array_chunk($numbers, 500) as $chunk) {
            foreach ($chunk as $number) {
                $this->last["$number/all"] = $this->last["$number/marketing"] = null;
            }
            $newest = DB::table('consents')->whereIn('number', $chunk)->groupBy('number', 'scope')->selectRaw('max(id)');
            foreach (DB::table('consents')->whereIn('id', $newest)->get(['number', 'scope', 'act', 'at']) as $row) {
                $this->last["$row->number/$row->scope"] = ['act' => (string) $row->act, 'at' => (string) $row->at];
            }
        }
    }

    /** The ledger is added to only by what it does not say already. */
    private function enter(int $personId, string $number, string $act, string $scope, ?string $wording, ?\DateTimeImmutable $at): void
    {
        if (($this->entered["$number/$scope"] ?? null) === $act) {
            return;
        }
        if (! array_key_exists("$number/$scope", $this->last)) {
            $this->read([$number]);
        }
        $last = $this->last["$number/$scope"] ?? null;
        if (
            ($last === null && $act === 'withdrawn' && $scope === 'marketing') ||
            ($last['act'] ?? null) === $act ||
            ($last !== null && $at !== null && $last['at'] > $at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s'))
        ) {
            return;
        }
        $this->entered["$number/$scope"] = $act;
        $this->rows[] = [
            'person_id' => $personId, 'number' => $number, 'act' => $act, 'scope' => $scope, 'how' => $this->origin->way->value,
            'wording' => mb_substr(trim(($wording ?? '').' ('.$this->origin->way->says($this->origin->via).')'), 0, 2000, 'UTF-8'),
            'staff_id' => $this->origin->staffId, 'import_id' => $this->origin->importId,
            'at' => ($at ?? $this->now)->format('Y-m-d H:i:s'),
        ];
    }
}
