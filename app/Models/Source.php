<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Contracts\Encryption\DecryptException;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Facades\Crypt;
use Linnet\Core\Document\Doc;
use Linnet\Core\Intake\Mapping;
use Linnet\Core\Record\ActivationState;

/**
 * @property int $id
 * @property string $key
 * @property string $name
 * @property SourceKind $kind
 * @property ActivationState $power
 * @property Proof $proof
 * @property string|null $secret shown once
 * @property string|null $old_secret good until its time, or until somebody ends it
 * @property CarbonImmutable|null $old_secret_until
 * @property array<string, mixed>|null $mapping null until somebody says what it sends
 * @property array<string, mixed>|null $draft a mapping that is being changed
 * @property int|null $sample_id the delivery whose values are shown while mapping
 * @property string|null $address of what is watched
 * @property int|null $every_minutes
 * @property CarbonImmutable|null $look_at when to look at the address next
 * @property CarbonImmutable|null $looked_at
 * @property array{code: string, with: array<string, mixed>}|null $problem what went wrong the last time it was looked at
 * @property array{field: string, value: string}|null $gone
 * @property int $unproven how many deliveries did not show that they come from it
 * @property int $keep_days for how long deliveries are kept
 * @property int $keep_megabytes how much of them at most
 * @property-read Delivery|null $sample
 */
final class Source extends Model
{
    protected $hidden = ['secret', 'old_secret'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'kind' => SourceKind::class, 'power' => ActivationState::class, 'proof' => Proof::class, 'secret' => 'encrypted',
            'old_secret' => 'encrypted', 'old_secret_until' => 'immutable_datetime', 'mapping' => 'array', 'draft' => 'array',
            'look_at' => 'immutable_datetime', 'looked_at' => 'immutable_datetime', 'problem' => 'array', 'gone' => 'array',
        ];
    }

    public function getRouteKeyName(): string
    {
        return 'key';
    }

    /** @return BelongsTo<Delivery, $this> */
    public function sample(): BelongsTo
    {
        return $this->belongsTo(Delivery::class, 'sample_id');
    }

    /** @return HasMany<Delivery, $this> */
    public function deliveries(): HasMany
    {
        return $this->hasMany(Delivery::class);
    }

    /** @return list<string> the secrets that are good at a moment */
    public function secrets(\DateTimeImmutable $now): array
    {
        return array_values(array_filter([
            $this->secret,
            $this->old_secret_until !== null && $this->old_secret_until > $now ? $this->old_secret : null,
        ], fn (?string $secret): bool => $secret !== null && $secret !== ''));
    }

    /** Whether its secret was encrypted under another key than the application has now. */
    public function isSecretLost(): bool
    {
        $kept = $this->getRawOriginal('secret');
        try {
            return is_string($kept) && Crypt::decryptString($kept) === '';
        } catch (DecryptException) {
            return true;
        }
    }

    public function readMapping(): ?Mapping
    {
        return $this->mapping === null ? null : Mapping::read(Doc::of($this->mapping));
    }
}
