<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;

/**
 * When to look again at a run or at a text that is held.
 *
 * @property int $id
 * @property string $kind
 * @property int $subject_id
 * @property int $rule_id 0 where the kind says it all
 * @property CarbonImmutable|null $due_at null: somebody has to act first
 */
final class Timer extends Model
{
    public const RUN = 'run';

    public const MESSAGE = 'message';

    /** A rule waits for a date, or for quiet, about a record or a person. */
    public const START_RECORD = 'start_record';

    public const START_PERSON = 'start_person';

    /** A rule's own calendar; the rule is the subject. */
    public const CALENDAR = 'calendar';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['due_at' => 'immutable_datetime'];
    }

    public static function schedule(string $kind, int $subject, ?\DateTimeImmutable $due): void
    {
        self::query()->upsert(
            [
                [
                    'kind' => $kind, 'subject_id' => $subject, 'rule_id' => 0,
                    'due_at' => $due?->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s'),
                ],
            ],
            ['kind', 'subject_id', 'rule_id'],
            ['due_at'],
        );
    }

    public static function clear(string $kind, int $subject): void
    {
        self::query()->where('kind', $kind)->where('subject_id', $subject)->delete();
    }

    /**
     * What the gate answers may have changed: every text that is held or set aside is looked at again, also one that waits for no moment;
     * or those of one line, one rule or one person.
     */
    public static function askAgain(\DateTimeImmutable $now, ?int $lineId = null, ?int $ruleId = null, ?int $personId = null): void
    {
        $personId === null || ForecastMark::leave([$personId]);
        $about = array_filter(['line_id' => $lineId, 'rule_id' => $ruleId, 'person_id' => $personId], fn (?int $id): bool => $id !== null);
        $at = $now->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s');
        Message::query()
            ->kept()
            ->where($about)
            // What is told the staff of somebody does not wait for that person.
            ->when($personId !== null, fn (Builder $texts): Builder => $texts->where('origin', '!=', MessageOrigin::Notice))
            ->select('id')
            ->toBase()
            ->chunkById(500, function ($texts) use ($at): void {
                self::query()->upsert(
                    array_values(
                        $texts
                            ->map(
                                fn (\stdClass $text): array => [
                                    'kind' => self::MESSAGE, 'subject_id' => (int) $text->id, 'rule_id' => 0, 'due_at' => $at,
                                ],
                            )
                            ->all(),
                    ),
                    ['kind', 'subject_id', 'rule_id'],
                    ['due_at'],
                );
            });
    }
}
