<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Foundation\Auth\User;
use Illuminate\Http\Request;
use Laravel\Sanctum\HasApiTokens;

/**
 * @property int $id
 * @property string $name
 * @property string $email
 * @property string $password
 * @property Role $role
 * @property string|null $number
 * @property CarbonImmutable|null $number_confirmed_at when a code that was sent to the number came back
 * @property bool $texts_allowed whether rules may text them
 * @property string|null $invited_hash of the link that leads to a password; null where they have one
 * @property CarbonImmutable|null $invited_until
 * @property CarbonImmutable|null $off_at since when they log in no more
 */
final class Staff extends User
{
    use HasApiTokens;

    public $timestamps = false;

    protected $table = 'staff';

    protected $fillable = [
        'name', 'email', 'password', 'role', 'number', 'number_confirmed_at', 'texts_allowed', 'invited_hash', 'invited_until', 'off_at',
    ];

    protected $hidden = ['password', 'remember_token', 'invited_hash'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'password' => 'hashed', 'role' => Role::class, 'texts_allowed' => 'boolean', 'number_confirmed_at' => 'immutable_datetime',
            'invited_until' => 'immutable_datetime', 'off_at' => 'immutable_datetime',
        ];
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
