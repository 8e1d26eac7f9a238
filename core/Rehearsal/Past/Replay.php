<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal\Past;

use Linnet\Core\Context\Subject;
use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\Published;
use Linnet\Core\Engine\Run;
use Linnet\Core\Engine\TextState;
use Linnet\Core\Gate\TextOrigin;
use Linnet\Core\InMemory\InMemoryEngine;
use Linnet\Core\InMemory\Onlooker;
use Linnet\Core\InMemory\Sheet;
use Linnet\Core\Reason;
use Linnet\Core\Record\Change\Change;
use Linnet\Core\Record\Change\ReportedStatus;
use Linnet\Core\Record\Change\StatusReported;
use Linnet\Core\Record\PersonNumber;

/**
 * A time that is past goes by once more on paper: what really happened happens at its moment, and the live engine does what its rules
 * would have done. What rules did then is left to them now.
 */
final class Replay implements Onlooker
{
    public readonly InMemoryEngine $engine;

    /** @var array<int, array<int, TooLate>> by run, then ending, since when it was over: of runs of the rule that is looked at */
    private array $over = [];

    /** @var array<string, TooLate> */
    private array $tooLate = [];

    /** @var array<int, Reason> */
    private array $lastSaid = [];

    /** @var list<array{at: \DateTimeImmutable, reason: Reason, subject: Subject}> */
    private array $notBegun = [];

    /** @var array<string, int> */
    private array $acts = [];

    /**
     * @param  Sheet  $sheet  as things were when it begins, with the rules that take part
     * @param  string  $ruleId  the rule that is looked at
     * @param  \DateTimeImmutable  $from  what it does is told from here on; what is before tells what was under way
     * @param  list<Ending>  $endings  after which its texts would come too late
     */
    public function __construct(
        public readonly Sheet $sheet,
        private readonly string $ruleId,
        private readonly \DateTimeImmutable $from,
        private readonly NumberFates $fates,
        private readonly array $endings,
    ) {
        $this->engine = new InMemoryEngine($sheet, $this);
    }

    /**
     * @param  iterable<PastEvent>  $events  the oldest first
     * @param  \Closure(): void  $tick  after each event
     */
    public function until(\DateTimeImmutable $until, iterable $events, \Closure $tick): Replayed
    {
        foreach ($this->sheet->rules as $rule) {
            $this->engine->scheduler->switchOn(new Published($rule->id, $rule->rule));
        }
        $this->engine->settle();
        $day = '';
        foreach ($events as $event) {
            if ($event->at >= $until) {
                break;
            }
            if ($event->at > $this->sheet->now) {
                // What happens in a moment is taken before what is due in it, all of it together.
                $this->engine->settle();
                $this->engine->until($event->at->modify('-1 second'));
                $this->sheet->now = $event->at;
                if ($day !== $day = $event->at->format('Y-m-d')) {
                    $this->putAway();
                }
            }
            $this->happen($event);
            $tick();
        }
        $this->engine->settle();
        $this->engine->until($until->modify('-1 second'));
        $this->putAway();

        return $this->replayed();
    }

    public function left(OutText $text): void
    {
        [$person, $number, $run] = [$text->to->personId, $text->to->number, $text->run];
        if ($text->origin !== TextOrigin::Rule || $person === null || $run === null) {
            return;
        }
        if ($run->ruleId === $this->ruleId) {
            $this->lookBack($run, $text);
        }
        if ($number !== null && ! $this->fates->arrives($number, $this->sheet->now)) {
            $text->state = TextState::Failed;
            array_shift($this->sheet->history->recent[$person]);
            $this->numberIs($person, $number, false);
            $this->happens(new StatusReported(ReportedStatus::Undeliverable, $run->rule->key), $person, null, false);
        }
    }

    /** @param  bool  $silent  rules are not to act on it */
    public function happens(Change $change, ?int $person, ?int $record, bool $silent): void
    {
        $before = count($this->sheet->events);
        $this->sheet->happens($change, $person, $record);
        $silent && array_splice($this->sheet->events, $before);
    }

    public function numberIs(int $personId, string $number, bool $alive): void
    {
        $person = $this->sheet->people[$personId] ?? null;
        $known = $person?->number($number);
        if ($person !== null && $known !== null && ($known->alive ?? true) !== $alive) {
            $this->sheet->people[$personId] = $person->with([
                'numbers' => array_map(
                    fn (PersonNumber $one): PersonNumber => $one->e164 === $number
                        ? new PersonNumber($one->e164, $one->country, $one->kind, $one->zones, $alive, $one->rank, $this->sheet->now)
                        : $one,
                    $person->numbers,
                ),
            ]);
        }
    }

    public function askAgain(int $personId): void
    {
        $this->sheet->askAgain(fn (OutText $text): bool => $text->to->personId === $personId);
    }

    private function happen(PastEvent $event): void
    {
        $person = $event->personId;
        $runs = $person === null ? [] : array_filter(
            $this->sheet->live[$person] ?? [],
            fn (Run $run): bool => $run->ruleId === $this->ruleId,
        );
        $before = array_map($this->told(...), $runs);
        $heard = $person === null ? null : $this->sheet->lastReplyAt[$person] ?? null;
        $event->happen($this);
        foreach ($runs as $run) {
            foreach (array_diff_key($this->told($run), $before[$run->id]) as $i => $because) {
                $this->over[$run->id][$i] = new TooLate($event->at, $because);
            }
            if ($event instanceof TextCame && $heard !== ($this->sheet->lastReplyAt[$person] ?? null)) {
                $this->over[$run->id][-1] = new TooLate($event->at, new Reason('rehearsal.wrote_back'));
            }
        }
    }

    /** @return array<int, Reason> by which endings it is over, and what tells so */
    private function told(Run $run): array
    {
        if ($this->endings === []) {
            return [];
        }
        $related = array_values(array_unique(array_merge(...array_map(fn (Ending $one): array => $one->relatedTypes(), $this->endings))));
        $context = $this->engine->contexts->create($run->subject, $run->line, $related, $run->ruleId);
        $told = array_map(fn (Ending $one): ?Reason => $one->told($context)?->reason, $this->endings);

        return array_filter($told, fn (?Reason $because): bool => $because !== null);
    }

    /** Whether it was over already when this text left. */
    private function lookBack(Run $run, OutText $text): void
    {
        $over = $this->over[$run->id] ?? [];
        // An answer to its own question, or one that it waited for, is what it wanted.
        if (isset($over[-1]) && ($run->state->repliesFrom >= $over[-1]->since || $this->wasPut($run, $over[-1]->since))) {
            unset($over[-1]);
        }
        usort($over, fn (TooLate $a, TooLate $b): int => $a->since <=> $b->since);
        if ($over !== [] && $over[0]->since < $this->sheet->now) {
            $this->tooLate["$run->id/$text->name"] = $over[0];
        }
    }

    private function wasPut(Run $run, \DateTimeImmutable $at): bool
    {
        foreach ($this->sheet->put[$run->id] ?? [] as $reply) {
            if ($reply->at == $at) {
                return true;
            }
        }

        return false;
    }

    /** What is over and of another rule is not asked about any more: memory does not grow with the time. */
    private function putAway(): void
    {
        foreach ($this->sheet->texts as $key => $text) {
            $run = $text->run;
            if (! $text->status()->isWaiting() && ($run === null || ($run->state->isOver() && $run->ruleId !== $this->ruleId))) {
                unset($this->sheet->texts[$key]);
            }
        }
        foreach ($this->sheet->runs as $id => $run) {
            if ($run->state->isOver() && $run->ruleId !== $this->ruleId) {
                unset($this->sheet->runs[$id], $this->sheet->put[$id]);
            }
        }
        foreach (array_splice($this->sheet->trace, 0) as $said) {
            if ($said['rule'] !== $this->ruleId) {
                continue;
            }
            if ($said['run'] !== null) {
                $this->lastSaid[$said['run']] = $said['reason'];
            } elseif ($said['at'] >= $this->from && $said['reason']->code !== 'start.date_moved') {
                // One whose date was moved begins on the other.
                $this->notBegun[] = ['at' => $said['at'], 'reason' => $said['reason'], 'subject' => $said['subject']];
            }
        }
        foreach (array_splice($this->sheet->sideEffects, 0) as $act) {
            if (($this->sheet->runs[$act['run']] ?? null)?->ruleId === $this->ruleId && $act['at'] >= $this->from) {
                $this->acts[$act['what']] = ($this->acts[$act['what']] ?? 0) + 1;
            }
        }
    }

    private function replayed(): Replayed
    {
        $isTold = fn (OutText $text): bool => $text->run?->ruleId === $this->ruleId
            && $text->to->personId !== null
            && max($text->wantedAt, $text->settledAt ?? $text->wantedAt) >= $this->from;

        return new Replayed(
            array_values(array_filter(
                $this->sheet->runs,
                fn (Run $run): bool => $run->ruleId === $this->ruleId && $run->state->beganAt >= $this->from,
            )),
            array_filter($this->sheet->texts, $isTold), $this->tooLate, $this->lastSaid, $this->notBegun, $this->acts,
        );
    }
}
