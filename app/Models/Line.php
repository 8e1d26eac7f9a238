<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Linnet\Core\Document\Doc;
use Linnet\Core\Record;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\Health;
use Linnet\Core\Record\Pace;
use Linnet\Core\Time\WeeklyHours;

/**
 * @property int $id
 * @property string $key
 * @property string $name
 * @property string $carrier the name of whoever brings its texts to telephones
 * @property string|null $number null for a name, which cannot be answered
 * @property ActivationState $power
 * @property string|null $purpose
 * @property array<string, mixed>|null $pace
 * @property array<string, mixed>|null $hours when it sends; null for always
 * @property list<string>|null $countries null or empty for all
 * @property int|null $staff_id whose own line it is
 * @property int $attempts the last texts whose fate is known
 * @property int $failed those of them that count against the line
 * @property int $well_since_message
 * @property string|null $pool the name under which it stands in for others
 * @property string|null $tells a mail address that hears of what nobody owns
 * @property array{code: string, with: array<string, mixed>}|null $problem why it was paused by itself
 */
final class Line extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['power' => ActivationState::class, 'pace' => 'array', 'hours' => 'array', 'countries' => 'array', 'problem' => 'array'];
    }

    /** @return BelongsToMany<Staff, $this> those who are told of what comes in on it */
    public function people(): BelongsToMany
    {
        return $this->belongsToMany(Staff::class, 'line_staff');
    }

    public function read(): Record\Line
    {
        return new Record\Line(
            $this->id, $this->key, $this->name, $this->number, $this->power,
            $this->pace === null ? new Pace : Pace::read(Doc::of($this->pace)), new Health($this->attempts, $this->failed),
            $this->staff_id, $this->countries ?? [], $this->hours === null ? null : WeeklyHours::read(Doc::of($this->hours)), $this->pool,
        );
    }
}
