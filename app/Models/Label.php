<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A tag somebody has, or a list they are on.
 *
 * @property int $id
 * @property int $person_id
 * @property string $kind tag or list
 * @property string $name
 */
final class Label extends Model
{
}
