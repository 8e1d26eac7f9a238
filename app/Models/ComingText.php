<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A text that may leave, as things stand; worked out by the forecast, and replaced whenever it is worked out anew.
 *
 * @property int $id
 * @property int $about_person_id whom its run is about
 * @property int $person_id
 * @property int|null $rule_id null where somebody typed it
 * @property int|null $run_id null where its run has not begun
 * @property int|null $record_id
 * @property int|null $record_type_id
 * @property int|null $message_id null where its run has not come to it
 * @property int|null $scheduled_text_id of one that somebody typed
 * @property int|null $line_id
 * @property string $name step/round
 * @property string $letter what it is called on its rule's page
 * @property string $wording
 * @property string $kind
 * @property string $zone the receiver's
 * @property CarbonImmutable $wanted_at
 * @property CarbonImmutable|null $leaves_at null where somebody has to act first
 * @property string|null $hour of the business's own clock, as YYYY-MM-DDTHH
 * @property string|null $held code of the reason
 * @property array{code: string, with: array<string, mixed>}|null $reason why it leaves later than wanted, or waits for somebody
 * @property list<array{code: string, with: array<string, mixed>}> $hangs_on what would keep it from leaving
 * @property string|null $template the words of its rule, with their merge fields
 * @property array{words?: string, at?: string, skip?: bool, by?: string}|null $own what somebody decided of it
 * @property bool $left_out somebody decided that it does not leave
 * @property string $body
 * @property int $parts
 * @property int $price_micros millionths of the currency's unit
 * @property string $currency
 * @property-read Person $person
 * @property-read Rule|null $rule
 * @property-read Line|null $line
 * @property-read Record|null $record
 * @property-read ScheduledText|null $scheduled
 */
final class ComingText extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'wanted_at' => 'immutable_datetime', 'leaves_at' => 'immutable_datetime', 'reason' => 'array', 'hangs_on' => 'array',
            'own' => 'array',
            'left_out' => 'boolean',
        ];
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** @return BelongsTo<Rule, $this> */
    public function rule(): BelongsTo
    {
        return $this->belongsTo(Rule::class);
    }

    /** @return BelongsTo<ScheduledText, $this> */
    public function scheduled(): BelongsTo
    {
        return $this->belongsTo(ScheduledText::class, 'scheduled_text_id');
    }

    /** @return BelongsTo<Line, $this> */
    public function line(): BelongsTo
    {
        return $this->belongsTo(Line::class);
    }

    /** @return BelongsTo<Record, $this> */
    public function record(): BelongsTo
    {
        return $this->belongsTo(Record::class);
    }
}
