<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Foundation\Auth\User;
use Illuminate\Http\Request;
use Laravel\Sanctum\HasApiTokens;
use Linnet\Core\Document\Doc;
use Linnet\Core\Record\Member;
use Linnet\Core\Time\WeeklyHours;

/**
 * @property int $id
 * @property string $name
 * @property string $email
 * @property string $password
 * @property Role $role
 * @property string|null $number
 * @property CarbonImmutable|null $number_confirmed_at when a code that was sent to the number came back
 * @property bool $texts_allowed whether rules may text them
 * @property array<string, mixed>|null $hours when they are there, by the business's clock; null for always
 * @property CarbonImmutable|null $away_until
 * @property int|null $stand_in_id who is told in their place while they are not there
 * @property bool $mailed whether they are told by mail too
 * @property bool $texted whether they are told by text too
 * @property string|null $tasks_hash SHA-256 of the secret in the address of their tasks
 * @property string|null $invited_hash of the link that leads to a password; null where they have one
 * @property CarbonImmutable|null $invited_until
 * @property CarbonImmutable|null $off_at since when they log in no more
 */
final class Staff extends User
{
    use HasApiTokens;
    use NamedById;

    public $timestamps = false;

    protected $table = 'staff';

    protected $fillable = [
        'name', 'email', 'password', 'role', 'number', 'number_confirmed_at', 'texts_allowed', 'invited_hash', 'invited_until', 'off_at',
        'hours', 'away_until', 'stand_in_id', 'mailed', 'texted', 'tasks_hash',
    ];

    protected $hidden = ['password', 'remember_token', 'invited_hash', 'tasks_hash'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'password' => 'hashed', 'role' => Role::class, 'texts_allowed' => 'boolean', 'number_confirmed_at' => 'immutable_datetime',
            'invited_until' => 'immutable_datetime', 'off_at' => 'immutable_datetime',
            'hours' => 'array', 'away_until' => 'immutable_datetime', 'mailed' => 'boolean', 'texted' => 'boolean',
        ];
    }

    public function asMember(): Member
    {
        return new Member(
            $this->id, $this->hours === null ? null : WeeklyHours::read(Doc::of($this->hours)), $this->away_until, $this->stand_in_id,
        );
    }

    /** @return Collection<int, self> those who answer texts */
    public static function answering(): Collection
    {
        return self::query()->whereNull('off_at')->where('role', '!=', Role::Viewer)->orderBy('name')->get(['id', 'name']);
    }

    /** Who asks. */
    public static function asking(Request $request): self
    {
        $staff = $request->user();

        return $staff instanceof self ? $staff : abort(403);
    }
}
