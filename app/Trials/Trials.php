<?php

declare(strict_types=1);

namespace App\Trials;

use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Models\Business;
use App\Models\Line;
use App\Models\MessageState;
use App\Models\Rule;
use App\Models\Staff;
use App\Models\Trial;
use App\Models\TrialText;
use App\Rules\Sample;
use App\Rules\Samples;
use App\Rules\SampleWorld;
use App\Rules\Vocabularies;
use App\Rules\WhatIf;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Linnet\Core\Reason;
use Linnet\Core\Rehearsal\Rehearsed;
use Linnet\Core\Rehearsal\RehearsedText;
use Linnet\Core\Rule\Example\Supposition;
use Linnet\Core\Rule\Step\Texting;
use Linnet\Core\Time\Span;
use Linnet\Core\Time\Unit;
use Psr\Clock\ClockInterface;

/**
 * The texts of a rule for one sample, on the telephone of whoever tries it. The rehearsal says which come; what they answer is supposed
 * of the sample, and so decides what comes next.
 */
final readonly class Trials
{
    /** Whoever takes it for one of the business's own texts sees that it is none. */
    public const MARK = 'Trial: ';

    public function __construct(
        private ClockInterface $clock,
        private OwnNumber $own,
        private DatabaseSideEffects $sideEffects,
        private SampleWorld $worlds,
    ) {
    }

    public function open(Rule $rule, Staff $staff): ?Trial
    {
        $trial = Trial::query()
            ->where('rule_id', $rule->id)
            ->where('staff_id', $staff->id)
            ->whereNull('ended_at')
            ->orderByDesc('id')
            ->with('texts.line')
            ->first();

        return $trial?->isOpen($this->clock->now()) === true ? $trial : null;
    }

    /** @param  list<string>  $suppose */
    public function begin(Rule $rule, Staff $staff, Sample $sample, array $suppose): Trial
    {
        $now = $this->clock->now();

        return DB::transaction(function () use ($rule, $staff, $sample, $suppose, $now): Trial {
            Trial::query()->where('staff_id', $staff->id)->whereNull('ended_at')->update(['ended_at' => $now]);

            return Trial::query()->create([
                'rule_id' => $rule->id, 'staff_id' => $staff->id, 'document' => $rule->written()->toDocument(), 'sample_id' => $sample->id,
                'person_id' => $sample->person->id, 'suppose' => $suppose, 'number' => (string) $staff->number, 'at' => $now,
                'last_at' => $now,
            ]);
        });
    }

    public function end(Trial $trial): void
    {
        $trial->update(['ended_at' => $this->clock->now()]);
    }

    /** @return list<Reason> why texts of it would not leave for the sample, as it has been answered until now */
    public function kept(Trial $trial): array
    {
        $rehearsed = $this->rehearsed($trial);
        $why = array_values(
            array_filter(
                array_map(
                    fn (RehearsedText $text): ?Reason => $text->leavesAt === null ? $text->obstacle() : null,
                    $rehearsed->texts ?? [],
                ),
            ),
        );

        // Where it came to no text at all, what was decided last says why.
        return $why !== [] || ($rehearsed->texts ?? []) !== [] ? $why : array_slice($rehearsed->trace ?? [], -1);
    }

    /** @return list<RehearsedText> those that would leave after the ones the trial has sent, as it has been answered until now */
    public function ahead(Trial $trial): array
    {
        $leave = array_values(
            array_filter(
                $this->rehearsed($trial)->texts ?? [],
                fn (RehearsedText $text): bool => $text->leavesAt !== null && $text->composed !== null,
            ),
        );

        return array_slice($leave, $trial->sent());
    }

    private function rehearsed(Trial $trial): ?Rehearsed
    {
        $rule = $trial->read();
        $unit = UnitOfWork::reading($this->clock->now(), $this->sideEffects);
        $business = Business::ours();
        $sample = (new Samples($rule->trigger->type(), $business->zone, $unit->now))->find($trial->sample_id);
        if ($sample === null) {
            return null;
        }
        $suppositions = [
            ...WhatIf::of(Vocabularies::language(), $rule, $trial->suppose, $business->zone)->suppositions,
            ...$this->answers($trial),
        ];

        return $this->worlds->rehearse($unit, $business, $rule, $sample, $suppositions);
    }

    /**
     * Sends the next, or all that are left.
     *
     * @param  int  $sent  how many texts of it were sent when this was asked; where it is more by now, it was asked twice
     * @return Reason|null why one did not go; those after it wait
     */
    public function send(Trial $trial, bool $all, int $sent): ?Reason
    {
        if ($this->own->saidStop($trial->number)) {
            return new Reason('trial.said_stop', ['number' => $trial->number]);
        }
        $ahead = $this->ahead($trial);
        foreach ($all ? $ahead : array_slice($ahead, 0, 1) as $i => $next) {
            $line = Line::query()->firstWhere('key', $next->line);
            if ($line === null) {
                return new Reason('trial.no_line');
            }
            $text = $this->record($trial, $next, $line, $sent + $i);
            $refused = $text === null ? null : $this->handOver($trial, $text, $line);
            if ($text === null || $refused !== null) {
                return $refused;
            }
        }

        return null;
    }

    /** Kept before it goes, so that one that was cut off is not sent under another key; null where as many have been sent before. */
    private function record(Trial $trial, RehearsedText $next, Line $line, int $sent): ?TrialText
    {
        return DB::transaction(function () use ($trial, $next, $line, $sent): ?TrialText {
            $trial = Trial::query()->lockForUpdate()->findOrFail($trial->id);
            if ($next->composed === null || $trial->sent() !== $sent) {
                return null;
            }
            $trial->update(['last_at' => $this->clock->now()]);

            return TrialText::query()->create([
                'trial_id' => $trial->id, 'key' => (string) Str::uuid7(), 'step' => $next->step, 'line_id' => $line->id,
                'body' => self::MARK.$next->composed->body, 'picture' => $this->pictureOf($trial, $next->step),
                'state' => MessageState::Ready, 'at' => $this->clock->now(),
            ]);
        });
    }

    /** Once more, under its own key, what the carrier did not take. */
    public function again(Trial $trial): ?Reason
    {
        $text = $trial->texts()->where('inbound', false)->whereIn('state', [MessageState::Ready, MessageState::Failed])->first();

        return $text === null ? null : $this->handOver($trial, $text, $text->line);
    }

    private function handOver(Trial $trial, TrialText $text, Line $line): ?Reason
    {
        $refused = $this->own->handOver($line, $trial->number, $text->body, $text->key, $text->picture);
        $detail = $refused?->with['detail'] ?? null;
        // A receipt may have come in faster than the answer.
        TrialText::query()
            ->whereKey($text->id)
            ->whereIn('state', [MessageState::Ready, MessageState::Failed])
            ->update(
                $refused === null
                    ? ['state' => MessageState::Handed, 'detail' => null]
                    : ['state' => MessageState::Failed, 'detail' => is_string($detail) ? mb_substr($detail, 0, 190, 'UTF-8') : null],
            );

        return $refused;
    }

    /** @return list<Supposition> what was written in the trial, each a minute after the text before it */
    private function answers(Trial $trial): array
    {
        $answers = [];
        $step = null;
        $minutes = 1;
        foreach ($trial->texts as $text) {
            if ($text->inbound) {
                $answers[] = new Supposition($step, Span::of($minutes++, Unit::Minutes) ?? Span::days(1), $text->body);
            } else {
                [$step, $minutes] = [$text->step, 1];
            }
        }

        return $answers;
    }

    private function pictureOf(Trial $trial, string $step): ?string
    {
        $texting = $trial->read()->flow->step($step);

        return $texting instanceof Texting ? $texting->outgoing()->picture : null;
    }
}
