<?php

declare(strict_types=1);

namespace App\Intake;

use App\Models\ChangeKind;

/** A change's row, for writing many at once. */
final class ChangeRow
{
    /**
     * @param  array<string, mixed>|null  $from
     * @param  array<string, mixed>  $to
     * @param  array<string, mixed>|null  $with  what its kind says besides
     * @return array<string, mixed>
     */
    public static function of(
        ChangeKind $kind,
        ?int $recordId,
        ?int $personId,
        ?array $from,
        array $to,
        ChangeOrigin $origin,
        \DateTimeImmutable $now,
        ?array $with = null,
    ): array {
        return [
            'kind' => $kind->value, 'record_id' => $recordId, 'person_id' => $personId, 'delivery_id' => $origin->deliveryId,
            'from' => $from === null ? null : json_encode((object) $from, JSON_THROW_ON_ERROR),
            'to' => json_encode((object) $to, JSON_THROW_ON_ERROR), 'at' => $now->format('Y-m-d H:i:s'), 'handled' => $origin->silent,
            'silent' => $origin->silent,
            'way' => $origin->way->value, 'via' => $origin->via, 'staff_id' => $origin->staffId, 'import_id' => $origin->importId,
            'cause' => $origin->cause === [] ? null : json_encode($origin->cause, JSON_THROW_ON_ERROR),
            'with' => $with === null ? null : json_encode($with, JSON_THROW_ON_ERROR),
        ];
    }
}
