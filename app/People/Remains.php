<?php

declare(strict_types=1);

namespace App\People;

use App\Models\DeliveryState;
use App\Models\Number;
use App\Models\Person;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Reason;

/** What names somebody though it never became theirs: rows and deliveries that were refused, left out or still wait. */
final readonly class Remains
{
    private string $pattern;

    public function __construct(Person $person)
    {
        // The last nine digits, however they are set apart: before them people write a country's code, a nought, or nothing.
        $numbers = $person->numbers->map(fn (Number $number): string => implode('[\s().\/\\\\-]{0,3}', str_split(substr(ltrim($number->e164, '+'), -9))).'(?!\d)');
        $emails = $person->email === null ? [] : [preg_quote($person->email, '~')];
        $this->pattern = '~'.implode('|', [...$numbers->all(), ...$emails]).'~iu';
    }

    public function clear(): void
    {
        if ($this->pattern === '~~iu') {
            return;
        }
        $rows = DB::table('refused_rows')->select(['id', 'import_id', 'cells', 'reason'])->lazyById(500);
        foreach ($rows->filter(fn (\stdClass $row): bool => $this->names($row->cells.$row->reason)) as $row) {
            DB::table('refused_rows')->where('id', $row->id)->delete();
            DB::table('imports')->where('id', $row->import_id)->decrement('refused');
        }
        $deliveries = DB::table('deliveries')->where('state', '!=', DeliveryState::Taken->value)->select(['id', 'body', 'reason'])->lazyById(200);
        foreach ($deliveries->filter(fn (\stdClass $one): bool => $this->names($one->body.$one->reason)) as $one) {
            DB::table('deliveries')->where('id', $one->id)->update([
                'body' => '', 'fingerprint' => null, 'state' => DeliveryState::LeftOut->value, 'reason' => json_encode((new Reason('intake.erased'))->toArray(), JSON_THROW_ON_ERROR),
            ]);
        }
    }

    private function names(string $text): bool
    {
        return preg_match($this->pattern, mb_scrub($text, 'UTF-8')) === 1;
    }
}
