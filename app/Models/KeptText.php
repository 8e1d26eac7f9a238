<?php

declare(strict_types=1);

namespace App\Models;

use App\Database\Like;
use Illuminate\Database\Eloquent\Builder;
use Linnet\Core\Text\Template\Template;

/**
 * A text that is kept to be written again, with fields that are filled in for whom it is for.
 *
 * @property int $id
 * @property int|null $staff_id whose; null for everybody's
 * @property string $name
 * @property string $body
 */
final class KeptText extends Model
{
    /**
     * Their own and everybody's, by their names.
     *
     * @return Builder<self>
     */
    public static function of(Staff $staff, string $find = ''): Builder
    {
        return self::query()
            ->where(fn ($whose) => $whose->whereNull('staff_id')->orWhere('staff_id', $staff->id))
            ->when($find !== '', fn ($query) => $query->where(fn (Builder $any) => Like::any($any, ['name', 'body'], $find)))
            ->orderBy('name')
            ->orderBy('id');
    }

    public function template(): Template
    {
        return Template::parse($this->body);
    }

    /** Everybody's are looked after by those who look after Linnet. */
    public function mayBeChangedBy(Staff $staff): bool
    {
        return $this->staff_id === null ? $staff->role->administers() : $this->staff_id === $staff->id;
    }
}
