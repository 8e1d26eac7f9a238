<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal;

use Linnet\Core\Context\Subject;
use Linnet\Core\Engine\Cause;
use Linnet\Core\Engine\DomainEvent;
use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\Published;
use Linnet\Core\Engine\Run;
use Linnet\Core\Engine\RunState;
use Linnet\Core\InMemory\InMemoryEngine;
use Linnet\Core\InMemory\InMemoryRule;
use Linnet\Core\InMemory\Sheet;
use Linnet\Core\Record\Change\Asked;
use Linnet\Core\Record\Change\AskedBy;
use Linnet\Core\Record\Change\Change;
use Linnet\Core\Record\Change\FormSent;
use Linnet\Core\Record\Change\RecordAdded;
use Linnet\Core\Record\Change\RecordChanged;
use Linnet\Core\Record\Change\StatusReported;
use Linnet\Core\Record\Line;
use Linnet\Core\Record\Record;
use Linnet\Core\Rule\Example\Supposition;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\Same;
use Linnet\Core\Time\Zone;

/** Lives through a world on paper: the live engine and gate, with books and a clock of paper. No text leaves. */
final class Rehearsal
{
    /** A run that has not ended after so many looks is cut. */
    private const LOOKS = 1000;

    private readonly Sheet $sheet;

    private readonly InMemoryEngine $engine;

    private readonly StaffActs $staff;

    /** @param  list<Rule>  $rules */
    private function __construct(Sheet $sheet, array $rules)
    {
        $this->sheet = $sheet;
        foreach ($rules as $i => $rule) {
            $sheet->rules[$i + 1] = new InMemoryRule((string) ($i + 1), $rule);
        }
        $this->engine = new InMemoryEngine($sheet);
        $this->staff = new StaffActs($sheet, $this->engine);
    }

    /** @param  list<Rule>  $rules besides those of the world, first in order */
    public static function of(World $world, array $rules): RehearsalResult
    {
        $rehearsal = new self($world->sheet(), array_values([...$rules, ...$world->rules]));
        $rehearsal->live($world);

        return new RehearsalResult($rehearsal->sheet);
    }

    /**
     * One run of a rule, as if it began at the sheet's moment and nothing happened but what is supposed.
     *
     * @param  string|null  $line  key of the line the person called or texted
     * @param  list<Supposition>  $suppositions
     */
    public static function oneRun(Sheet $sheet, Rule $rule, Subject $subject, ?string $line, array $suppositions = []): Rehearsed
    {
        $rehearsal = new self($sheet, [$rule]);
        $published = new Published('1', $rule);
        $context = $rehearsal->engine->contexts->create($subject, $line, $rule->relatedTypes, '1');
        $state = RunState::begin($rule->firstStep(), $sheet->now);
        $next = $rule->trigger->firstMoment($context);
        if ($next !== null) {
            [$at, $anchor] = $next;
            $sheet->now = $at;
            $state = RunState::begin($rule->firstStep(), $at)->with(['anchor' => $anchor, 'hangsOn' => $anchor]);
        }
        $began = $sheet->now;
        $run = $rehearsal->engine->runs->begin(
            $published, $subject, 'rehearsal', $state, new DomainEvent('1', new Asked('1', AskedBy::Hand), $subject, $began, $line),
        );
        if ($run !== null) {
            $rehearsal->engine->conductor->advance($run);
            $rehearsal->engine->settle();
            for ($looks = 0; $looks < self::LOOKS && ! $run->state->isOver(); $looks++) {
                $due = $sheet->agenda->next();
                [$next, $at] = $rehearsal->next($suppositions, $began);
                if ($next !== null && $at !== null && ($due === null || $at->getTimestamp() < $due)) {
                    $sheet->now = max($sheet->now, $at);
                    $rehearsal->suppose($suppositions[$next], $subject, $line);
                    unset($suppositions[$next]);
                } elseif ($due !== null) {
                    $sheet->now = max($sheet->now, $sheet->now->setTimestamp($due));
                } else {
                    break;
                }
                $rehearsal->engine->settle();
            }
        }

        return new Rehearsed(
            $began,
            array_values(
                array_map(RehearsedText::of(...), array_filter($sheet->texts, fn (OutText $text): bool => $text->to->personId !== null)),
            ),
            array_column($sheet->trace, 'reason'),
            $state->hangsOn,
        );
    }

    /**
     * The first of what is supposed whose moment is known: after a text that has left, or after the beginning.
     *
     * @param  array<int, Supposition>  $suppositions
     * @return array{int|null, \DateTimeImmutable|null}
     */
    private function next(array $suppositions, \DateTimeImmutable $began): array
    {
        [$next, $at] = [null, null];
        foreach ($suppositions as $i => $one) {
            $from = $one->step === null ? $began : $this->leftAt($one->step);
            $moment = $from === null ? null : $one->after->after($from, Zone::get($this->sheet->configuration->business->zone));
            if ($moment !== null && ($at === null || $moment < $at)) {
                [$next, $at] = [$i, $moment];
            }
        }

        return [$next, $at];
    }

    private function leftAt(string $step): ?\DateTimeImmutable
    {
        foreach ($this->sheet->texts as $text) {
            if (explode('/', $text->name)[0] === $step && ! $text->status()->isWaiting()) {
                return $text->settledAt;
            }
        }

        return null;
    }

    private function suppose(Supposition $one, Subject $subject, ?string $line): void
    {
        if ($one->text !== null && $subject->personId !== null) {
            $sent = $this->sheet->texts === [] ? null : $this->sheet->texts[array_key_last($this->sheet->texts)];
            $this->text($subject->personId, $sent->line ?? $line ?? (string) array_key_first($this->sheet->lines), $one->text);
        }
        $record = $subject->recordId === null ? null : $this->sheet->records[$subject->recordId];
        if ($one->values !== [] && $record !== null) {
            $this->sheet->records[$record->id] = new Record(
                $record->id, $record->type, [...$record->values, ...$one->values], $record->personId, $this->sheet->now,
            );
            $this->happens(
                new RecordChanged(
                    $record->type->key,
                    array_intersect_key($record->values + array_fill_keys(array_keys($one->values), null), $one->values),
                    $one->values,
                ),
                $record->personId,
                $record->id,
                $line,
            );
        }
    }

    private function live(World $world): void
    {
        foreach ($this->sheet->rules as $rule) {
            $this->engine->scheduler->switchOn(new Published($rule->id, $rule->rule));
        }
        $this->engine->settle();
        foreach ($world->events as $event) {
            if ($event->at > $world->ends) {
                break;
            }
            $this->engine->until($event->at);
            $this->happen($event);
            $this->engine->settle();
        }
        $this->engine->until($world->ends);
    }

    private function happen(WorldEvent $event): void
    {
        $person = $event->person === null ? null : $this->sheet->personIds[$event->person];
        $deeds = $this->engine->sideEffects;
        match ($event->kind) {
            WorldEventKind::Record => $event->new !== null && $this->record($event->new),
            WorldEventKind::Person => $deeds->setPerson((int) $person, $event->values, new Cause),
            WorldEventKind::Text => $this->text((int) $person, $event->key, $event->text),
            WorldEventKind::Label => $deeds->label((int) $person, $event->label, $event->text, $event->added, new Cause),
            WorldEventKind::Form => $this->happens(new FormSent($event->key), $person, null),
            WorldEventKind::Fate => $this->happens(new StatusReported($event->fate, $event->ofRule), $person, null),
            WorldEventKind::Start => $this->staff->start($person, $event->key, $event->record),
            WorldEventKind::Rule => $this->staff->switchRule($event->key, $event->power),
            WorldEventKind::Line => $this->staff->switchLine($event->key, $event->power),
            WorldEventKind::Release => $this->staff->release($event->key),
            WorldEventKind::Stop => $this->staff->stop((int) $person, $event->key),
            WorldEventKind::Skip => $this->staff->skip((int) $person, $event->key),
            WorldEventKind::Wrote => $this->staff->write((int) $person),
            WorldEventKind::GiveBack => $this->staff->giveBack((int) $person, $event->key),
            WorldEventKind::OwnText => $this->staff->decide((int) $person, $event->key, $event->text, $event->own),
        };
    }

    private function record(WorldRecord $new): bool
    {
        $id = $this->sheet->recordIds["$new->type/$new->key"] ?? null;
        $person = $new->person === null ? null : $this->sheet->personIds[$new->person];
        $before = $id === null ? [] : $this->sheet->records[$id]->values;
        $to = array_filter(
            $this->sheet->withPerson($new->type, $person, $new->values),
            fn (mixed $value, string $key): bool => ! Same::as($before[$key] ?? null, $value) && ($value !== null || isset($before[$key])),
            ARRAY_FILTER_USE_BOTH,
        );
        if ($id !== null && $to === [] && ($person === null || $person === $this->sheet->records[$id]->personId)) {
            return false;
        }
        $record = $this->sheet->upsert($new->key, $new->type, $person, [...$before, ...$to]);
        $from = array_intersect_key($before + array_fill_keys(array_keys($to), null), $to);
        $change = $id === null ? new RecordAdded($new->type) : RecordChanged::of($record->type, $from, $to);
        $this->happens($change, $record->personId, $record->id);

        return true;
    }

    private function text(int $personId, string $line, string $text): void
    {
        $number = ($this->sheet->people[$personId]->numbers[0] ?? null)->e164 ?? '';
        $this->engine->inbound->receive($personId, $line, $number, $text);
    }

    private function happens(Change $change, ?int $person, ?int $record, ?string $line = null, ?string $number = null): void
    {
        $this->sheet->happens($change, $person, $record, $line, $number);
    }
}
