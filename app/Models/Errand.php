<?php

declare(strict_types=1);

namespace App\Models;

use App\Jobs\RunErrand;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Something to be done outside besides texting: an email, a look-up, a post to another system.
 *
 * @property int $id
 * @property string $name unique: run/step/round
 * @property string $key what the other system knows it by, random
 * @property ErrandKind $kind
 * @property int|null $run_id
 * @property int|null $rule_id
 * @property int|null $person_id
 * @property string $address
 * @property array<array-key, mixed> $body
 * @property ErrandState $state
 * @property int $attempts
 * @property array{code: string, with: array<string, mixed>}|null $reason
 * @property CarbonImmutable|null $due_at when it should be tried next, by the machine's own clock
 * @property CarbonImmutable $at
 * @property CarbonImmutable|null $done_at
 * @property-read Rule|null $rule
 * @property-read Person|null $person
 */
final class Errand extends Model
{
    /** Overdue by so much, it is in no queue any more. */
    private const LOST_SECONDS = 300;

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['kind' => ErrandKind::class, 'state' => ErrandState::class, 'body' => 'array', 'reason' => 'array', 'due_at' => 'immutable_datetime', 'at' => 'immutable_datetime', 'done_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Rule, $this> */
    public function rule(): BelongsTo
    {
        return $this->belongsTo(Rule::class);
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /**
     * Notes an errand once, and puts it into the queue once that is sure. Should the process end in between, it is found by being overdue.
     *
     * @param  array<array-key, mixed>  $body
     */
    public static function ask(string $name, ErrandKind $kind, string $address, array $body, ?int $ruleId, ?int $runId, ?int $personId, \DateTimeImmutable $now): void
    {
        $new = DB::table('errands')->insertOrIgnore([
            'name' => $name, 'key' => (string) Str::uuid7(), 'kind' => $kind->value, 'address' => $address, 'body' => json_encode($body, JSON_THROW_ON_ERROR), 'state' => ErrandState::Waiting->value,
            'rule_id' => $ruleId, 'run_id' => $runId, 'person_id' => $personId, 'at' => $now->format('Y-m-d H:i:s'), 'due_at' => now()->utc()->format('Y-m-d H:i:s'),
        ]);
        if ($new === 1) {
            RunErrand::dispatch((int) DB::table('errands')->where('name', $name)->value('id'))->afterCommit();
        }
    }

    /** Those that were lost on their way to the queue, or in it, go there again. @return int how many */
    public static function sweep(): int
    {
        $lost = self::query()->where('state', ErrandState::Waiting)->where('due_at', '<', now()->subSeconds(self::LOST_SECONDS))->orderBy('id')->limit(100)->get();
        $found = 0;
        foreach ($lost as $errand) {
            // Claimed: two workers must not both put it there.
            if (self::query()->whereKey($errand->id)->where('state', ErrandState::Waiting)->where('due_at', $errand->due_at)->update(['due_at' => now()]) === 1) {
                RunErrand::dispatch($errand->id);
                $found++;
            }
        }

        return $found;
    }
}
