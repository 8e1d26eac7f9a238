<?php

declare(strict_types=1);

namespace App\Rehearsals;

use App\Engine\Store\DatabaseRunStore;
use App\Models\Rehearsal;
use App\Models\RehearsalSide;
use App\Models\RehearsedState;
use App\Sentences\ShortReason;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\Run;
use Linnet\Core\Engine\TextState;
use Linnet\Core\Gate\Say;
use Linnet\Core\Reason;
use Linnet\Core\Rehearsal\Past\Replayed;

/** Keeps what a rule would have done, row by row. */
final readonly class ReplayedWriter
{
    private const AT_ONCE = 200;

    /** @param  array<string, int>  $lines  ids by key */
    public function __construct(
        private Rehearsal $rehearsal,
        private RehearsalSide $side,
        private \DateTimeZone $zone,
        private array $lines,
    ) {
    }

    public function write(Replayed $replayed): void
    {
        $texts = $texted = [];
        foreach ($replayed->texts as $key => $text) {
            $row = $this->text($key, $text, $replayed);
            $isFirst = $row['left_at'] !== null && ! isset($texted[$text->to->personId]);
            $texted += $isFirst ? [(int) $text->to->personId => true] : [];
            $texts[] = ['first_of_person' => $isFirst] + $row;
        }
        foreach ($replayed->notBegun as $one) {
            $texts[] = $this->row([
                'person_id' => $one['subject']->personId, 'record_id' => $one['subject']->recordId,
                'state' => RehearsedState::NotBegun->value,
                'wanted_at' => DatabaseRunStore::at($one['at']), 'day' => $this->day($one['at']),
                ...self::said($one['reason'], 'reason', 'why'),
            ]);
        }
        $left = array_count_values(array_map(
            fn (OutText $text): int => (int) $text->run?->id,
            array_filter($replayed->texts, fn (OutText $text): bool => $text->settledAt !== null && $text->state !== TextState::Dropped),
        ));
        $runs = array_map(fn (Run $run): array => [
            'rehearsal_id' => $this->rehearsal->id, 'side' => $this->side->value, 'run' => $run->id, 'person_id' => $run->personId(),
            'record_id' => $run->subject->recordId, 'began_at' => DatabaseRunStore::at($run->state->beganAt),
            'outcome' => $run->state->outcome, 'texts' => $left[$run->id] ?? 0,
            ...self::said($replayed->lastSaid[$run->id] ?? null, 'reason', 'why'),
        ], $replayed->runs);
        foreach (['rehearsed_runs' => $runs, 'rehearsed_texts' => $texts] as $table => $rows) {
            foreach (array_chunk($rows, self::AT_ONCE) as $chunk) {
                DB::table($table)->insert($chunk);
            }
        }
    }

    /** @return array<string, mixed> */
    private function text(string $key, OutText $text, Replayed $replayed): array
    {
        $state = match ($text->state) {
            TextState::Left => RehearsedState::Left,
            TextState::Failed => RehearsedState::Failed,
            TextState::Dropped => RehearsedState::Dropped,
            TextState::SetAside => RehearsedState::SetAside,
            TextState::Waiting => RehearsedState::Waiting,
        };
        $went = in_array($state, RehearsedState::went(), true);
        $left = $went ? $text->settledAt : null;
        $late = $replayed->tooLate[$key] ?? null;
        $held = self::held($text);

        return $this->row([
            'run' => $text->run?->id, 'step' => explode('/', $text->name)[0], 'person_id' => $text->to->personId,
            'record_id' => $text->run?->subject->recordId, 'line_id' => $this->lines[$text->line ?? ''] ?? null, 'state' => $state->value,
            'wanted_at' => DatabaseRunStore::at($text->wantedAt), 'left_at' => $left === null ? null : DatabaseRunStore::at($left),
            'day' => $this->day($left ?? $text->wantedAt), ...self::said($went ? null : $text->reason, 'reason', 'why'),
            ...self::said($went ? $held : null, 'held', 'held_by'),
            'held_seconds' => $left === null || $held === null ? 0 : max(0, $left->getTimestamp() - $text->wantedAt->getTimestamp()),
            'body' => $text->composed->body ?? '', 'wording' => $text->wording, 'parts' => $text->composed->length->parts ?? 0,
            'price_micros' => $text->composed->price ?? 0,
            'too_late_since' => $late === null ? null : DatabaseRunStore::at($late->since),
            ...self::said($late?->because, 'too_late', null),
        ]);
    }

    /** What kept it longest from leaving at its moment. */
    private static function held(OutText $text): ?Reason
    {
        foreach ($text->judgements as $judgement) {
            if ($judgement->verdict()->say === Say::Hold) {
                return $judgement->verdict()->reason;
            }
        }

        return null;
    }

    /**
     * @param  array<string, mixed>  $columns
     * @return array<string, mixed>
     */
    private function row(array $columns): array
    {
        return $columns + [
            'rehearsal_id' => $this->rehearsal->id, 'side' => $this->side->value, 'run' => null, 'step' => null, 'line_id' => null,
            'left_at' => null, 'held' => null, 'held_by' => null, 'held_seconds' => 0, 'body' => '', 'wording' => '', 'parts' => 0,
            'price_micros' => 0, 'first_of_person' => false, 'too_late_since' => null, 'too_late' => null,
        ];
    }

    /** @return array<string, string|null> */
    private static function said(?Reason $reason, string $column, ?string $short): array
    {
        return [$column => $reason === null ? null : json_encode($reason->toArray(), JSON_THROW_ON_ERROR)] +
            match ($short) {
                null => [],
                'held_by' => [$short => $reason?->code],
                default => [$short => $reason === null ? null : mb_substr(ShortReason::with($reason), 0, 160, 'UTF-8')],
            };
    }

    private function day(\DateTimeImmutable $at): string
    {
        return $at->setTimezone($this->zone)->format('Y-m-d');
    }
}
