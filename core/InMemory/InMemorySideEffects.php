<?php

declare(strict_types=1);

namespace Linnet\Core\InMemory;

use Linnet\Core\Engine\Cause;
use Linnet\Core\Engine\Effect\SetLabel;
use Linnet\Core\Engine\Port\SideEffects;
use Linnet\Core\Engine\Published;
use Linnet\Core\Engine\Run;
use Linnet\Core\Number\NumberKind;
use Linnet\Core\Reason;
use Linnet\Core\Record\Change\Asked;
use Linnet\Core\Record\Change\AskedBy;
use Linnet\Core\Record\Change\Change;
use Linnet\Core\Record\Change\LabelChanged;
use Linnet\Core\Record\Change\LabelKind;
use Linnet\Core\Record\Change\PersonChanged;
use Linnet\Core\Record\Change\RecordChanged;
use Linnet\Core\Record\PersonNumber;
use Linnet\Core\Record\Record;
use Linnet\Core\Record\Staff;
use Linnet\Core\Rule\Same;

final readonly class InMemorySideEffects implements SideEffects
{
    private References $references;

    public function __construct(private Sheet $sheet)
    {
        $this->references = new References($sheet);
    }

    public function setFields(Run $run, array $own, ?Record $record, array $values, Cause $cause): void
    {
        $found = $record === null ? [] : $this->references->resolve($record->type, $values);
        if ($found instanceof Reason) {
            $this->sheet->trace[] = [
                'at' => $this->sheet->now, 'reason' => new Reason('deed.not_done', ['because' => $found->toArray()]),
                'rule' => $run->ruleId, 'run' => $run->id, 'subject' => $run->subject,
            ];
            [$record, $values] = [null, []];
        }
        $type = $record->type->key ?? '';
        $set = [...$own, ...array_combine(array_map(fn (string $key): string => "$type.$key", array_keys($values)), $values)];
        if ($set === []) {
            return;
        }
        $this->did('set', $run, ['values' => $set]);
        if ($own !== []) {
            $this->setPerson($run->personId(), $own, $cause);
        }
        if ($record !== null) {
            $this->setRecord($record, $found, $cause);
        }
    }

    public function setLabel(Run $run, SetLabel $effect, Cause $cause): void
    {
        $this->did($effect->added ? 'add_'.$effect->kind->value : 'remove_'.$effect->kind->value, $run, ['name' => $effect->label]);
        $this->label($run->personId(), $effect->kind, $effect->label, $effect->added, $cause);
    }

    public function label(int $personId, LabelKind $kind, string $name, bool $added, Cause $cause): void
    {
        $person = $this->sheet->people[$personId];
        $names = $kind === LabelKind::Tag ? $person->tags : $person->lists;
        $is = fn (string $one): bool => mb_strtolower($one, 'UTF-8') === mb_strtolower($name, 'UTF-8');
        if ((array_filter($names, $is) !== []) === $added) {
            return;
        }
        $names = $added ? [...$names, $name] : array_values(array_filter($names, fn (string $one): bool => ! $is($one)));
        $this->sheet->people[$personId] = $person->with([$kind === LabelKind::Tag ? 'tags' : 'lists' => $names]);
        $this->happens(new LabelChanged($kind, $name, $added), $personId, null, $cause);
    }

    /** @param  array<string, scalar|null>  $new */
    public function setPerson(int $personId, array $new, Cause $cause): void
    {
        $person = $this->sheet->people[$personId];
        $new = array_filter(
            $new,
            fn (mixed $value, string $key): bool => ! Same::as($person->own[$key] ?? null, $value),
            ARRAY_FILTER_USE_BOTH,
        );
        if ($new !== []) {
            $own = [...$person->own, ...$new];
            $this->sheet->people[$personId] = $person->with([
                'own' => $own,
                'called' => is_string($own['first_name'] ?? null) ? $own['first_name'] : $person->called,
            ]);
            $from = array_intersect_key($person->own + array_fill_keys(array_keys($new), null), $new);
            $this->happens(new PersonChanged($from, $new), $personId, null, $cause);
        }
    }

    public function notice(Run $run, string $name, ?Staff $to, string $words): void
    {
        $this->did('notice', $run, ['to' => $to?->name, 'words' => $words]);
    }

    public function email(Run $run, string $name, string $address, string $words): void
    {
        $this->did('email', $run, ['to' => $address, 'words' => $words]);
    }

    public function task(Run $run, string $name, ?Staff $for, string $words, ?\DateTimeImmutable $dueAt): void
    {
        $this->did('task', $run, ['for' => $for?->name, 'words' => $words, 'due_at' => $dueAt?->format(DATE_ATOM)]);
    }

    public function lookUp(Run $run, string $name, string $number): void
    {
        $this->sheet->asked[] = [$run, $number];
    }

    /** Whoever is asked about a number answers within the moment, after all that is done in it without asking anybody. */
    public function answer(Run $run, string $number): void
    {
        $person = $this->sheet->people[$run->personId()];
        $alive = $this->sheet->configuration->alive[$number] ?? true;
        $this->sheet->people[$run->personId()] = $person->with(['numbers' => array_map(
            fn (PersonNumber $n): PersonNumber => $n->e164 === $number ? $this->lookedUp($n, $alive) : $n,
            $person->numbers,
        )]);
        $this->did('look_up', $run, ['number' => $number, 'alive' => $alive]);
        $this->sheet->agenda->schedule("run:$run->id", $this->sheet->now);
    }

    /** What may be a mobile is taken for one: a look-up would tell. */
    private function lookedUp(PersonNumber $number, bool $alive): PersonNumber
    {
        $kind = $number->kind->takesTexts() ? NumberKind::Mobile : $number->kind;

        return new PersonNumber($number->e164, $number->country, $kind, $number->zones, $alive, $number->rank, $this->sheet->now);
    }

    public function post(Run $run, string $name, string $address, array $body): void
    {
        $this->did('call_out', $run, ['address' => $address, 'body' => $body]);
    }

    public function requestStart(Run $run, Published $rule, Cause $cause): void
    {
        $this->did('start_rule', $run, ['rule' => $rule->rule->key]);
        $this->happens(new Asked($rule->ruleId, AskedBy::Rule), $run->personId(), $run->subject->recordId, $cause);
    }

    /** @param  array<string, scalar|null>  $new */
    private function setRecord(Record $record, array $new, Cause $cause): void
    {
        $type = $record->type->key;
        $from = [];
        foreach ($new as $key => $value) {
            if (isset($record->type->fields[$key]) && ! Same::as($record->values[$key] ?? null, $value)) {
                $from[$key] = $record->values[$key] ?? null;
            }
        }
        $to = array_intersect_key($new, $from);
        if ($to !== []) {
            $record = $this->sheet->store($record->id, $type, null, [...$record->values, ...$to]);
            $this->happens(RecordChanged::of($record->type, $from, $to), $record->personId, $record->id, $cause);
        }
    }

    private function happens(Change $change, ?int $person, ?int $record, Cause $cause): void
    {
        $this->sheet->happens($change, $person, $record, cause: $cause);
    }

    /** @param  array<string, mixed>  $with */
    private function did(string $what, Run $run, array $with): void
    {
        $this->sheet->sideEffects[] = ['at' => $this->sheet->now, 'what' => $what, 'run' => $run->id, 'with' => $with];
    }
}
