<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal;

use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\OwnText;
use Linnet\Core\Engine\Published;
use Linnet\Core\Engine\Run;
use Linnet\Core\InMemory\InMemoryEngine;
use Linnet\Core\InMemory\Sheet;
use Linnet\Core\Reason;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\Change\Asked;
use Linnet\Core\Record\Change\AskedBy;
use Linnet\Core\Record\RecordType;

/** What the staff do in a world on paper: start rules, switch rules and lines, let texts go, stop and leave out. */
final readonly class StaffActs
{
    public function __construct(private Sheet $sheet, private InMemoryEngine $engine)
    {
    }

    public function start(?int $person, string $key, ?string $record): void
    {
        foreach ($this->sheet->rules as $rule) {
            if ($rule->rule->key === $key && $rule->power === ActivationState::On) {
                $id = $record === null ? null : $this->sheet->recordIds[$rule->rule->trigger->type()."/$record"] ?? null;
                $this->sheet->happens(new Asked($rule->id, AskedBy::Hand), $person, $id);
            }
        }
    }

    public function switchRule(string $key, ActivationState $power): void
    {
        foreach ($this->sheet->rules as $rule) {
            if ($rule->rule->key !== $key || $rule->power === $power) {
                continue;
            }
            $rule->power = $power;
            $rule->pausedUntil = $power === ActivationState::On ? $this->sheet->now : $rule->pausedUntil;
            foreach ($this->sheet->runs as $run) {
                if ($run->ruleId === $rule->id && ! $run->state->isOver()) {
                    $run->power = $power;
                    $run->pausedUntil = $rule->pausedUntil;
                    match ($power) {
                        ActivationState::Retired => $this->engine->effects->end($run, new Reason('stop.retired'), 'retired'),
                        ActivationState::On => $this->wake($run),
                        ActivationState::Paused => null,
                    };
                }
            }
            if ($power === ActivationState::On) {
                $this->sheet->askAgain(fn (OutText $text): bool => $text->run?->ruleId === $rule->id);
                $this->engine->scheduler->switchOn(new Published($rule->id, $rule->rule));
            }
        }
    }

    public function stop(int $person, string $key): void
    {
        $reason = new Reason('run.stopped', ['staff' => $this->somebody()]);
        foreach ($this->sheet->live[$person] ?? [] as $run) {
            $run->rule->key === $key && $this->engine->effects->end($run, $reason, 'stopped');
        }
    }

    public function write(int $person): void
    {
        $this->engine->conductor->wrote($person, $this->somebody());
    }

    public function giveBack(int $person, string $key): void
    {
        foreach ($this->sheet->live[$person] ?? [] as $run) {
            $run->rule->key === $key && $this->engine->conductor->giveBack($run, $this->somebody());
        }
    }

    public function skip(int $person, string $key): void
    {
        foreach ($this->sheet->texts as $text) {
            if ($text->to->personId === $person && $text->run?->rule->key === $key && $text->status()->isWaiting()) {
                $own = new OwnText(skip: true, by: $this->somebody());
                $this->engine->conductor->decide($text->run, $text->name, fn (): OwnText => $own);
            }
        }
    }

    /** Of the text of each run that is under way; of those that are not, the first that begins for anything of theirs. */
    public function decide(int $person, string $key, string $step, OwnText $own): void
    {
        $own = new OwnText($own->words, $own->at, $own->skip, $this->somebody());
        $about = [];
        foreach ($this->sheet->live[$person] ?? [] as $run) {
            if ($run->rule->key === $key) {
                $about[$run->ruleId][$run->subject->name()] = true;
                $this->engine->conductor->decide($run, "$step/{$run->state->round}", fn (): OwnText => $own);
            }
        }
        foreach ($this->sheet->rules as $rule) {
            foreach ($rule->rule->key === $key ? $this->subjects($person, $rule->rule->trigger->type()) : [] as $subject) {
                if (! isset($about[$rule->id][$subject])) {
                    $whose = "$rule->id/$subject/$person";
                    $decided = [...$this->sheet->decided[$whose] ?? [], "$step/1" => $own];
                    $this->sheet->decided[$whose] = array_filter($decided, fn (OwnText $one): bool => ! $one->isAsItWas());
                }
            }
        }
    }

    /** @return list<string> the person, or what they have of a type */
    private function subjects(int $person, string $type): array
    {
        if ($type === RecordType::PERSON) {
            return ["person:$person"];
        }
        $theirs = array_filter(
            $this->sheet->recordsOf[$person] ?? [],
            fn (int $id): bool => $this->sheet->records[$id]->type->key === $type,
        );

        return array_values(array_map(fn (int $id): string => "record:$id", $theirs));
    }

    private function wake(Run $run): void
    {
        $text = $this->sheet->texts["$run->id/{$run->state->awaits}"] ?? null;
        $this->sheet->agenda->schedule($text === null ? "run:$run->id" : "text:$run->id/$text->name", $this->sheet->now);
    }

    public function switchLine(string $key, ActivationState $power): void
    {
        $line = $this->sheet->lines[$key] ?? null;
        if ($line === null) {
            return;
        }
        $this->sheet->lines[$key] = $line->with(power: $power);
        if ($power === ActivationState::On) {
            $this->sheet->askAgain(fn (OutText $text): bool => $text->line === $key);
        }
    }

    public function release(string $key): void
    {
        foreach ($this->sheet->texts as $text) {
            if ($text->run?->rule->key === $key && $text->status()->isWaiting()) {
                $text->released = true;
                $this->sheet->agenda->schedule("text:{$text->run->id}/$text->name", $this->sheet->now);
            }
        }
    }

    /** A world does not say who of the staff it was. */
    private function somebody(): string
    {
        return $this->sheet->configuration->staff[0]->name ?? 'Somebody';
    }
}
