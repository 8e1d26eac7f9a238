<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Linnet\Core\Document\Doc;
use Linnet\Core\Rule\Rule as CoreRule;

/**
 * A rule tried for one sample on the telephone of whoever writes it.
 *
 * @property int $id
 * @property int $rule_id
 * @property int $staff_id
 * @property array<string, mixed> $document the rule as it was when the trial began
 * @property int $sample_id
 * @property int $person_id whose values its texts hold
 * @property list<string> $suppose what is supposed besides what they answer, in sentences
 * @property string $number E.164, their own
 * @property CarbonImmutable $at
 * @property CarbonImmutable $last_at when it was last done something in
 * @property CarbonImmutable|null $ended_at
 * @property-read Rule $rule
 * @property-read \Illuminate\Database\Eloquent\Collection<int, TrialText> $texts
 */
final class Trial extends Model
{
    /** What is written from the number after so long is no answer to a trial. */
    public const HOURS = 2;

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'document' => 'array', 'suppose' => 'array', 'at' => 'immutable_datetime', 'last_at' => 'immutable_datetime',
            'ended_at' => 'immutable_datetime',
        ];
    }

    public function read(): CoreRule
    {
        return CoreRule::read(Doc::of($this->document));
    }

    public function isOpen(\DateTimeImmutable $now): bool
    {
        return $this->ended_at === null && $this->last_at > $now->modify('-'.self::HOURS.' hours');
    }

    /** @return HasMany<TrialText, $this> */
    public function texts(): HasMany
    {
        return $this->hasMany(TrialText::class)->orderBy('id');
    }

    /** How many texts of it have been sent. */
    public function sent(): int
    {
        return $this->texts()->where('inbound', false)->count();
    }

    /** @return BelongsTo<Rule, $this> */
    public function rule(): BelongsTo
    {
        return $this->belongsTo(Rule::class);
    }
}
