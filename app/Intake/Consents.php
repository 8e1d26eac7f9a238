<?php

declare(strict_types=1);

namespace App\Intake;

use App\Models\Consent;
use App\Models\Person;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Intake\PersonSaid;
use Linnet\Core\Record\Moment;

/**
 * Enters into the ledger what is stated about consent, with its proof. What a file says never undoes a stop: only the person can.
 */
final class Consents
{
    /** @var list<array<string, mixed>> */
    private array $rows = [];

    /** @var array<string, string> the last act of this batch by number and scope */
    private array $entered = [];

    public function __construct(private readonly Origin $origin, private readonly \DateTimeImmutable $now)
    {
    }

    public function take(PersonSaid $said, ?Person $person): void
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
            $this->enter($person->id, $number, $said->consent->marketing ? 'granted' : 'withdrawn', 'marketing', $said->consent->wording, $at);
        }
    }

    public function flush(): void
    {
        foreach (array_chunk($this->rows, 500) as $chunk) {
            DB::table('consents')->insert($chunk);
        }
        $this->rows = [];
    }

    /** The ledger is added to only by what it does not say already. */
    private function enter(int $personId, string $number, string $act, string $scope, ?string $wording, ?\DateTimeImmutable $at): void
    {
        if (($this->entered["$number/$scope"] ?? null) === $act) {
            return;
        }
        $last = Consent::query()->where('number', $number)->where('scope', $scope)->orderByDesc('id')->first();
        if (($last === null && $act === 'withdrawn' && $scope === 'marketing') || $last?->act === $act || ($last !== null && $at !== null && $last->at > $at)) {
            return;
        }
        $this->entered["$number/$scope"] = $act;
        $this->rows[] = [
            'person_id' => $personId, 'number' => $number, 'act' => $act, 'scope' => $scope, 'how' => $this->origin->way->value,
            'wording' => mb_substr(trim(($wording ?? '').' ('.$this->origin->way->says($this->origin->via).')'), 0, 2000, 'UTF-8'),
            'staff_id' => $this->origin->staffId, 'import_id' => $this->origin->importId, 'at' => ($at ?? $this->now)->format('Y-m-d H:i:s'),
        ];
    }
}
