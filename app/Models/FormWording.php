<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;

/**
 * What a form has said that one agrees to, from a moment on.
 *
 * @property int $id
 * @property int $form_id
 * @property string|null $wording null where it asked for nothing
 * @property int|null $staff_id
 * @property CarbonImmutable $at
 */
final class FormWording extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['at' => 'immutable_datetime'];
    }
}
