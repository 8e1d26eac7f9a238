<?php

declare(strict_types=1);

namespace App\Rules;

use App\Engine\DomainEventReader;
use App\Engine\Store\UnitOfWork;
use App\Models\Business;
use App\Models\Message;
use App\Models\MessageOrigin;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Context\EvaluationContext;
use Linnet\Core\Context\Subject;
use Linnet\Core\InMemory\Sheet;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\Line;
use Linnet\Core\Record\Record;
use Linnet\Core\Rehearsal\Rehearsal;
use Linnet\Core\Rehearsal\Rehearsed;
use Linnet\Core\Rule\Example\Supposition;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\Trigger\Trigger;

/** Copies onto paper what is known about one sample, and rehearses a rule there. */
final class SampleWorld
{
    /** @var array<int, array<string, list<string>>> by person and list, the code they have, or else the one they would get */
    private array $codes = [];

    /** @var array<int, array<int, string>> by person and line, when the first automatic text left */
    private array $opened = [];

    /**
     * Reads together what several rehearsals will ask about.
     *
     * @param  list<int>  $people
     */
    public function preload(array $people): void
    {
        $new = array_values(array_diff($people, array_keys($this->codes)));
        if ($new === []) {
            return;
        }
        $next = once(fn (): array => DB::table('codes')
            ->whereIn('id', DB::table('codes')->whereNull('person_id')->groupBy('list')->selectRaw('min(id)'))
            ->pluck('code', 'list')
            ->all());
        $one = fn (mixed $code): array => [(string) $code];
        $this->codes += array_fill_keys($new, array_map($one, $next));
        foreach (DB::table('codes')->whereIn('person_id', $new)->get(['person_id', 'code', 'list']) as $row) {
            $this->codes[(int) $row->person_id][(string) $row->list] = $one($row->code);
        }
        $texts = Message::query()->whereIn('person_id', $new)->where('origin', MessageOrigin::Rule)->whereNotNull('left_at')
            ->groupBy('person_id', 'line_id')->toBase()->selectRaw('person_id, line_id, min(left_at) as at')->get();
        foreach ($texts as $row) {
            $this->opened[(int) $row->person_id][(int) $row->line_id] = (string) $row->at;
        }
    }

    public function contextOf(UnitOfWork $unit, Rule $rule, Sample $sample): EvaluationContext
    {
        [$subject, $line] = $this->about($unit, $sample);

        return $unit->contexts->create($subject, $line, $rule->relatedTypes)->later($sample->at)->unanswered();
    }

    /** @param  list<Supposition>  $suppositions */
    public function rehearse(UnitOfWork $unit, Business $business, Rule $rule, Sample $sample, array $suppositions = []): Rehearsed
    {
        [$subject, $line] = $this->about($unit, $sample);
        $this->preload([$sample->person->id]);
        $known = $unit->reader;
        $sheet = new Sheet($known->configuration($this->codes[$sample->person->id]), $sample->at);
        $person = $known->person($sample->person->id) ?? throw new \LogicException('chosen from those there are');
        $sheet->people[$person->id] = $person;
        foreach ($person->numbers as $number) {
            $sheet->consent[$number->e164] = $known->consent($number->e164);
        }
        $record = $sample->record === null ? null : $known->record($sample->record->id);
        $records = $record === null ? [] : [self::begun($rule->trigger, $record)];
        foreach ($rule->relatedTypes as $type) {
            array_push($records, ...$known->recordsOf($person->id, $type));
        }
        foreach ($records as $record) {
            $sheet->records[$record->id] = $record;
            $sheet->recordsOf[$person->id][] = $record->id;
            foreach ($record->type->fields as $field) {
                $value = $record->values[$field->key] ?? null;
                if (($field->kind === FieldKind::Person || $field->kind === FieldKind::Record) && is_numeric($value)) {
                    $sheet->names["{$field->kind->value}:$value"] = $known->nameOf($field->kind, (int) $value) ?? '';
                }
                $beside = $field->kind === FieldKind::Person && is_numeric($value) ? $known->person((int) $value) : null;
                if ($beside !== null && $beside->id !== $person->id) {
                    $sheet->beside[$beside->id] = $beside;
                    foreach ($beside->numbers as $number) {
                        $sheet->consent[$number->e164] = $known->consent($number->e164);
                    }
                }
            }
        }
        foreach ($this->opened[$person->id] ?? [] as $opened => $at) {
            if ($at < $sample->at->format('Y-m-d H:i:s')) {
                $sheet->opened["$person->id/".$known->lineKey($opened)] = true;
            }
        }

        return Rehearsal::oneRun($sheet, $rule, $subject, $line, $suppositions);
    }

    /** A record as it is when what starts the rule has just happened to it. */
    private static function begun(Trigger $trigger, Record $record): Record
    {
        return $record->type->key === $trigger->type() && $trigger->begunWith() !== []
            ? new Record($record->id, $record->type, $trigger->begunWith() + $record->values, $record->personId, $record->changedAt)
            : $record;
    }

    /** @return array{Subject, string|null} what it is about, and the line it came by */
    private function about(UnitOfWork $unit, Sample $sample): array
    {
        $events = new DomainEventReader($unit->reader);
        $record = $sample->record === null ? null : $unit->reader->record($sample->record->id);

        $line = $record === null ? null : Line::broughtBy($record, $unit->reader->lines());

        return [$events->subject($sample->person->id, $record), $line?->key];
    }
}
