<?php

declare(strict_types=1);

namespace App\People;

use App\Models\DeliveryState;
use App\Models\Number;
use App\Models\Person;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Reason;

/** What names somebody though it never became theirs: rows and deliveries that were refused, left out or still wait. */
final readonly class Remains
{
    /**
     * @param  list<int>  $rows
     * @param  list<int>  $deliveries
     */
    private function __construct(private array $rows, private array $deliveries)
    {
    }

    /** Reads all of them, so it is looked for before anything is locked. */
    public static function of(Person $person): self
    {
        $names = [
            ...$person->numbers->map(fn (Number $number): string => Numbers::written($number->e164))->all(),
            ...($person->email === null ? [] : [preg_quote($person->email, '~')]),
        ];
        if ($names === []) {
            return new self([], []);
        }
        $pattern = '~'.implode('|', $names).'~iu';
        $deliveries = [];
        foreach (DeliveryState::cases() as $state) {
            if ($state !== DeliveryState::Taken) {
                array_push($deliveries, ...self::naming($pattern, DB::table('deliveries')->where('state', $state->value)->select(['id', 'body as said', 'reason'])));
            }
        }

        return new self(self::naming($pattern, DB::table('refused_rows')->select(['id', 'cells as said', 'reason'])), $deliveries);
    }

    public function clear(): void
    {
        foreach ($this->rows as $id) {
            DB::table('imports')->where('id', DB::table('refused_rows')->where('id', $id)->value('import_id'))->decrement('refused');
            DB::table('refused_rows')->where('id', $id)->delete();
        }
        foreach ($this->deliveries as $id) {
            DB::table('deliveries')->where('id', $id)->update([
                'body' => '', 'fingerprint' => null, 'state' => DeliveryState::LeftOut->value, 'reason' => json_encode((new Reason('intake.erased'))->toArray(), JSON_THROW_ON_ERROR),
            ]);
        }
    }

    /** @return list<int> */
    private static function naming(string $pattern, Builder $query): array
    {
        $ids = [];
        foreach ($query->lazyById(200) as $row) {
            if (preg_match($pattern, mb_scrub($row->said.' '.$row->reason, 'UTF-8')) === 1) {
                $ids[] = (int) $row->id;
            }
        }

        return $ids;
    }
}
