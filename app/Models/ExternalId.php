<?php

declare(strict_types=1);

namespace App\Models;

/**
 * What a system calls a person.
 *
 * @property int $id
 * @property int $person_id
 * @property string $scope whose name it is: a source, "file" or "api"
 * @property string $external_id
 */
final class ExternalId extends Model
{
}
