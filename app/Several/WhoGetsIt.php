<?php

declare(strict_types=1);

namespace App\Several;

use App\Audiences\AudienceQuery;
use App\Engine\Store\DatabaseRunStore;
use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Forecast\SheetReader;
use App\Models\SeveralPerson;
use App\Models\TextToSeveral;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Document\Doc;
use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\TextState;
use Linnet\Core\Gate\Say;
use Linnet\Core\InMemory\InMemoryEngine;
use Linnet\Core\InMemory\InMemoryRule;
use Linnet\Core\InMemory\Sheet;
use Linnet\Core\Reason;
use Linnet\Core\Record\Change\Asked;
use Linnet\Core\Record\Change\AskedBy;
use Linnet\Core\Record\Line;
use Linnet\Core\Record\Pace;
use Linnet\Core\Rule\Rule;
use Psr\Clock\ClockInterface;

/**
 * Who gets a text to several, who does not and why, when, and for what price: the live engine lets it go on paper, for some people after
 * the others, with all else that is under way about them.
 */
final class WhoGetsIt
{
    /** So many people are gone through at once. */
    public const AT_ONCE = 400;

    /** What is held for more days than that after its moment is said to wait. */
    public const LOOKS_AHEAD = 4;

    /** What is read once for all that is asked together. */
    private ?UnitOfWork $unit = null;

    private ?AudienceQuery $candidates = null;

    public function __construct(private readonly ClockInterface $clock, private readonly DatabaseSideEffects $sideEffects)
    {
    }

    /** Whether it is known as it is written now. */
    public function isWorkedOut(TextToSeveral $several): bool
    {
        return $several->isWorkedOut() && $several->stamp === self::stamp($several);
    }

    /** Whether it was asked long ago, and asking again is soon done. */
    public function isStale(TextToSeveral $several): bool
    {
        return ! $this->isWorkedOut($several)
            || ($several->of <= self::AT_ONCE && $several->worked_at < $this->clock->now()->modify('-10 minutes'));
    }

    /** All is to be worked out anew, unless that is under way. */
    public function begin(TextToSeveral $several): void
    {
        $stamp = self::stamp($several);
        if ($several->stamp === $stamp && $several->cursor !== null) {
            return;
        }
        $this->unit = $this->candidates = null;
        DB::transaction(function () use ($several, $stamp): void {
            $several->ticked
                ? $several->people()->update(['outcome' => null, 'reason' => null, 'leaves_at' => null, 'wanted_at' => null])
                : $several->people()->delete();
            $several->update([
                'stamp' => $stamp, 'cursor' => 0, 'worked_at' => null,
                'of' => $several->ticked
                    ? $several->people()->distinct()->count('person_id')
                    : $this->candidates($several, $this->unit())->counts()[1],
            ]);
        });
    }

    /** @return bool whether some are left */
    public function goOn(TextToSeveral $several): bool
    {
        $letter = self::letter($several);
        if ($several->cursor === null || $letter === null) {
            return false;
        }
        $unit = $this->unit();
        $people = $this->next($several, $unit);
        $rows = $people === [] ? [] : $this->outcomes($several, $letter, $people, $unit);
        $isDone = count($people) < self::AT_ONCE;
        DB::transaction(function () use ($several, $rows, $people, $isDone): void {
            // Another may have been at it, or it was begun anew.
            $mine = TextToSeveral::query()->whereKey($several->id)->where('stamp', $several->stamp)->where('cursor', $several->cursor)
                ->update($isDone
                    ? ['cursor' => null, 'worked_at' => DatabaseRunStore::at($this->clock->now())]
                    : ['cursor' => $people[count($people) - 1]]);
            foreach ($mine === 1 ? array_chunk($rows, 50) : [] as $some) {
                DB::table('several_people')->upsert($some, ['several_id', 'person_id', 'record_id']);
            }
        });
        $several->refresh();
        if ($isDone && $several->cursor === null && $several->of > self::AT_ONCE) {
            (new InTurn($unit))->give($several, $letter);
        }

        return $several->cursor !== null;
    }

    public static function letter(TextToSeveral $several): ?Letter
    {
        return Letter::of($several->rule->written(), $several->at_once);
    }

    private static function stamp(TextToSeveral $several): string
    {
        return hash('sha256', json_encode([$several->rule->written()->toDocument(), $several->at_once], JSON_THROW_ON_ERROR));
    }

    private function unit(): UnitOfWork
    {
        return $this->unit ??= UnitOfWork::reading($this->clock->now(), $this->sideEffects);
    }

    private function candidates(TextToSeveral $several, UnitOfWork $unit): AudienceQuery
    {
        $letter = self::letter($several) ?? throw new \LogicException('it is asked of a text to several');

        return $this->candidates ??= new AudienceQuery($unit, $letter->to);
    }

    /** @return list<int> the people who come next */
    private function next(TextToSeveral $several, UnitOfWork $unit): array
    {
        $ids = $several->ticked
            ? $several->people()->toBase()->where('person_id', '>', $several->cursor)
                ->distinct()->orderBy('person_id')->limit(self::AT_ONCE)->pluck('person_id')
            : $this->candidates($several, $unit)->peopleAfter((int) $several->cursor, self::AT_ONCE);

        return array_values(array_map(intval(...), is_array($ids) ? $ids : $ids->all()));
    }

    /**
     * @param  list<int>  $people
     * @return list<array<string, mixed>>
     */
    private function outcomes(TextToSeveral $several, Letter $letter, array $people, UnitOfWork $unit): array
    {
        $zone = $unit->reader->business()->zone;
        $rule = Rule::read(Doc::of($letter->toDocument($unit->now, $zone)));
        $sheet = (new SheetReader($unit))->of($people);
        $id = (string) $several->rule_id;
        $sheet->rules[$several->rule_id] = new InMemoryRule($id, $rule);
        if ($several->of > self::AT_ONCE) {
            // Their places are given once it is known of all when each could leave.
            $sheet->lines = array_map(fn (Line $line): Line => $line->with(pace: new Pace), $sheet->lines);
        }
        $begins = $letter->begins($unit->now, $zone);
        if ($several->ticked) {
            foreach ($several->people()->whereIn('person_id', $people)->orderBy('id')->get(['person_id', 'record_id']) as $one) {
                $sheet->happens(new Asked($id, AskedBy::Hand), $one->person_id, $one->record_id === 0 ? null : $one->record_id);
            }
        } elseif ($begins <= $unit->now) {
            $sheet->pieces[] = [$id, $unit->now];
        } else {
            $sheet->agenda->schedule("calendar:$id", $begins);
        }
        $engine = new InMemoryEngine($sheet);
        $engine->settle();
        $engine->until(max($begins, $unit->now)->modify('+'.self::LOOKS_AHEAD.' days'));

        return [...$this->runs($several, $sheet, $unit), ...$this->notBegun($several, $sheet)];
    }

    /** @return list<array<string, mixed>> */
    private function runs(TextToSeveral $several, Sheet $sheet, UnitOfWork $unit): array
    {
        $texts = $last = $rows = [];
        foreach ($sheet->texts as $text) {
            $text->run?->ruleId === (string) $several->rule_id && $texts[$text->run->id] = $text;
        }
        foreach ($sheet->trace as $one) {
            $one['run'] === null || $last[$one['run']] = $one['reason'];
        }
        foreach ($sheet->runs as $run) {
            if ($run->ruleId === (string) $several->rule_id) {
                $text = $texts[$run->id] ?? null;
                $reason = $text === null ? $last[$run->id] ?? new Reason('run.finished') : $text->reason;
                $rows[] = $this->row($several, (int) $run->subject->personId, $run->subject->recordId, [
                    'outcome' => match (true) {
                        $text?->state === TextState::Left => SeveralPerson::GETS,
                        $text?->state === TextState::Waiting => SeveralPerson::WAITS,
                        default => $reason->code ?? 'run.finished',
                    },
                    'reason' => $text?->state === TextState::Left ? self::held($text) : $reason,
                    'zone' => $text?->to->zone, 'zones' => $text !== null && count($text->to->zones) > 1 ? $text->to->zones : null,
                    'line_id' => $text?->line === null ? null : $unit->reader->line($text->line)?->id,
                    'wanted_at' => $text?->wantedAt, 'leaves_at' => $text?->state === TextState::Left ? $text->settledAt : null,

                    'body' => $text?->composed?->body, 'parts' => $text->composed->length->parts ?? 0, 'price_micros' => $text->composed->price ?? 0,
                ]);
            }
        }

        return $rows;
    }

    /** @return list<array<string, mixed>> */
    private function notBegun(TextToSeveral $several, Sheet $sheet): array
    {
        $rows = [];
        foreach ($sheet->trace as $one) {
            if ($one['rule'] === (string) $several->rule_id && $one['run'] === null && $one['subject']->personId !== null) {
                $rows[] = $this->row($several, $one['subject']->personId, $one['subject']->recordId, [
                    'outcome' => $one['reason']->code, 'reason' => $one['reason'],
                ]);
            }
        }

        return $rows;
    }

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
     * @param  array{outcome: string, reason: Reason|null, zone?: string|null, zones?: list<string>|null, line_id?: int|null,
     * wanted_at?: \DateTimeImmutable|null, leaves_at?: \DateTimeImmutable|null, body?: string|null, parts?: int, price_micros?: int}  $said
     * @return array<string, mixed>
     */
    private function row(TextToSeveral $several, int $person, ?int $record, array $said): array
    {
        $at = fn (?\DateTimeImmutable $moment): ?string => $moment === null ? null : DatabaseRunStore::at($moment);

        return [
            'several_id' => $several->id, 'person_id' => $person, 'record_id' => $record ?? 0, 'outcome' => $said['outcome'],
            'reason' => $said['reason'] === null ? null : json_encode($said['reason']->toArray(), JSON_THROW_ON_ERROR),
            'zone' => $said['zone'] ?? null, 'zones' => isset($said['zones']) ? json_encode($said['zones']) : null,
            'line_id' => $said['line_id'] ?? null, 'wanted_at' => $at($said['wanted_at'] ?? null),
            'leaves_at' => $at($said['leaves_at'] ?? null), 'body' => $said['body'] ?? null,
            'parts' => $said['parts'] ?? 0, 'price_micros' => $said['price_micros'] ?? 0,
        ];
    }
}
