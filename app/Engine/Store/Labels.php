<?php

declare(strict_types=1);

namespace App\Engine\Store;

use App\Intake\ChangeOrigin;
use App\Intake\ChangeRow;
use App\Models\ChangeKind;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Record\Change\LabelKind;

/** The one way tags and lists are changed: with a change that rules may act on. */
final class Labels
{
    /** @return bool whether it was otherwise before */
    public static function set(
        int $personId,
        LabelKind $kind,
        string $name,
        bool $added,
        ChangeOrigin $origin,
        \DateTimeImmutable $now,
    ): bool {
        $label = ['person_id' => $personId, 'kind' => $kind->value, 'folded' => mb_strtolower($name, 'UTF-8')];
        $done = $added ? DB::table('labels')->insertOrIgnore($label + ['name' => $name]) : DB::table('labels')->where($label)->delete();
        if ($done > 0) {
            DB::table('changes')->insert(
                ChangeRow::of(ChangeKind::LabelChanged, null, $personId, null, [], $origin, $now, [
                    'label' => $kind->value,
                    'name' => $name,
                    'added' => $added,
                ]),
            );
        }

        return $done > 0;
    }
}
