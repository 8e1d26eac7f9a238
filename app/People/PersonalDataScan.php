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
final readonly class PersonalDataScan
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
                array_push(
                    $deliveries,
                    ...self::naming(
                        $pattern,
                        DB::table('deliveries')
                            ->where('state', $state->value)
                            ->select(['id', 'body as said', 'reason', 'is_binary']),
                    ),
                );
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
            DB::table('deliveries')
                ->where('id', $id)
                ->update([
                    'body' => '', 'fingerprint' => null, 'state' => DeliveryState::LeftOut->value,
                    'reason' => json_encode((new Reason('intake.erased'))->toArray(), JSON_THROW_ON_ERROR),
                ]);
        }
    }

    /** What came in other bytes than UTF-8, so far as it can be read. */
    private static function readable(string $bytes): string
    {
        $from = match (true) {
            str_starts_with($bytes, "\xFF\xFE") => 'UTF-16LE',
            str_starts_with($bytes, "\xFE\xFF") => 'UTF-16BE',
            default => 'ISO-8859-1',
        };

        return str_replace("\0", '', mb_convert_encoding($bytes, 'UTF-8', $from)).' '.str_replace("\0", '', $bytes);
    }

    /** @return list<int> */
    private static function naming(string $pattern, Builder $query): array
    {
        $ids = [];
        foreach ($query->lazyById(200) as $row) {
            $said = ($row->is_binary ?? false) ? self::readable((string) base64_decode((string) $row->said, true)) : (string) $row->said;
            if (preg_match($pattern, mb_scrub("$said $row->reason", 'UTF-8')) === 1) {
                $ids[] = (int) $row->id;
            }
        }

        return $ids;
    }
}
