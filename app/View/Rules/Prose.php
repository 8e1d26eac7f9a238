<?php

declare(strict_types=1);

namespace App\View\Rules;

use Linnet\Core\Rule\AgainPolicy;
use Linnet\Core\Rule\ReleaseKind;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\Step\Ask;
use Linnet\Core\Rule\Step\Branch;
use Linnet\Core\Rule\Step\GoOnlyIf;
use Linnet\Core\Rule\Step\Step;
use Linnet\Core\Rule\Step\Texting;
use Linnet\Core\Rule\Step\Wait;
use Linnet\Core\Rule\Step\WaitFor;
use Linnet\Core\Rule\Step\WaitForDate;
use Linnet\Core\Rule\Step\WaitUntil;

/** A rule as sentences to be read, with the words that can be changed. */
final readonly class Prose
{
    private Names $names;

    private ConditionSaid $conditions;

    private TriggerSaid $triggers;

    private StepSaid $steps;

    public function __construct(private Rule $rule, ?Names $names = null)
    {
        $this->names = $names ?? new Names;
        $this->conditions = new ConditionSaid($this->names);
        $this->triggers = new TriggerSaid($this->names, $this->conditions);
        $this->steps = new StepSaid($rule, $this->names, $this->conditions, $this->triggers);
    }

    /** @return list<Paragraph> */
    public function paragraphs(): array
    {
        $letters = Letters::of($this->rule);

        return [new Paragraph($this->triggers->of($this->rule)), ...$this->list($this->rule->steps, 0, $letters), ...$this->closing()];
    }

    /** The rule in one plain sentence, for lists. */
    public function inOneSentence(): string
    {
        $texts = count(array_filter($this->rule->flow->steps, fn (Step $step): bool => $step instanceof Texting));
        $plain = implode('', array_map(fn (string|Word $part): string => $part instanceof Word ? $part->says : $part, $this->triggers->of($this->rule)));

        return rtrim($plain, ':').': '.match ($texts) {
            0 => 'no text', 1 => 'one text', default => "$texts texts",
        }.($texts > 0 && $this->rule->stopEarly->onReply ? ', until they reply.' : '.');
    }

    /**
     * @param  list<Step>  $steps
     * @param  array<string, string>  $letters
     * @return list<Paragraph>
     */
    private function list(array $steps, int $depth, array $letters): array
    {
        $paragraphs = $parts = [];
        foreach ($steps as $i => $step) {
            $texts = $step instanceof Texting;
            // A wait, or a look before going on, leads into the text behind it within one sentence.
            $leads = ($step instanceof Wait || $step instanceof WaitUntil || $step instanceof WaitForDate || $step instanceof WaitFor || $step instanceof GoOnlyIf) && ($steps[$i + 1] ?? null) instanceof Texting;
            array_push($parts, ...$this->steps->of($step, $parts === []));
            $parts[] = match (true) {
                $texts, $step instanceof Branch => ':',
                $leads => ', then ',
                default => self::ends($parts) ? '' : '.',
            };
            if (! $leads) {
                $paragraphs[] = new Paragraph($parts, $texts ? $step : null, $letters[$step->id()] ?? null, $depth);
                $parts = [];
            }
            array_push($paragraphs, ...$this->inside($step, $depth + 1, $letters));
        }

        return $paragraphs;
    }

    /**
     * @param  array<string, string>  $letters
     * @return list<Paragraph>
     */
    private function inside(Step $step, int $depth, array $letters): array
    {
        $cases = [];
        if ($step instanceof Ask) {
            foreach ($step->answers as $answer) {
                $cases[] = ["If they answer {$answer->label} (".implode(', ', $answer->keywords->words).')', $answer->steps, ', go on'];
            }
            if ($step->unclear !== null) {
                $cases[] = ["If they write something else, ask once more: “{$step->unclear}”", [], ''];
            }
            $cases[] = ['If they do not answer in time', $step->noAnswer, ', go on'];
        }
        if ($step instanceof Branch) {
            foreach ($step->cases as [$condition, $steps]) {
                $cases[] = ['If '.$this->conditions->of($condition), $steps, ', go on'];
            }
            $cases[] = ['Otherwise', $step->otherwise, ', go on'];
        }
        $paragraphs = [];
        foreach ($cases as [$says, $steps, $else]) {
            $paragraphs[] = new Paragraph([$says.($steps === [] ? "$else." : ':')], depth: $depth);
            array_push($paragraphs, ...$this->list($steps, $depth + 1, $letters));
        }

        return $paragraphs;
    }

    /** @return list<Paragraph> */
    private function closing(): array
    {
        $rule = $this->rule;
        $again = $rule->again;
        $noun = $this->names->type($rule->trigger->type());
        $choices = [
            'once_per_record' => "once for each $noun", 'once_per_person' => 'once ever for each person',
            'once_per_occasion' => 'once for each occasion', 'every_time' => 'every time it comes about', 'not_within' => 'not again for the same person within some days',
        ];
        $more = array_filter([
            $rule->stopEarly->while === null ? null : 'It goes on only as long as '.$this->conditions->of($rule->stopEarly->while).'.',
            $rule->goal === null ? null : 'It counts as a success when '.$this->conditions->of($rule->goal->condition).', within '.$this->names->span($rule->goal->within).' of its start.',
            match ($rule->release->kind) {
                ReleaseKind::Automatic => null,
                ReleaseKind::InOneBatch => "Its texts wait until somebody lets them go together; at {$rule->release->askAt} we are asked to.",
                ReleaseKind::OneByOne => 'Each of its texts waits until somebody lets it go.',
            },
            $rule->firstDay === null && $rule->lastDay === null ? null : 'It starts'.($rule->firstDay === null ? '' : ' from '.self::day($rule->firstDay)).($rule->lastDay === null ? '' : ' until '.self::day($rule->lastDay)).' only.',
        ]);

        return [new Paragraph([
            'It ', new Word($rule->stopEarly->onReply ? 'stops as soon as they reply' : 'goes on even if they reply', 'reply', null, 'When they reply', [
                'yes' => 'stops as soon as they reply', 'no' => 'goes on even if they reply',
            ], ['value' => $rule->stopEarly->onReply ? 'yes' : 'no']),
            $rule->stopEarly->onReply ? ', and always when they say stop. It starts ' : ', and stops only when they say stop. It starts ',
            new Word($again->policy === AgainPolicy::NotWithin ? 'at most once in '.($again->days === 1 ? 'a day' : "$again->days days").' for the same person' : $choices[$again->policy->value],
                'again', null, 'How often it may start', $choices, ['value' => $again->policy->value, 'days' => $again->days ?? 1]),
            '.',
        ]), ...array_map(fn (string $says): Paragraph => new Paragraph([$says]), array_values($more))];
    }

    private static function day(string $date): string
    {
        return (new \DateTimeImmutable($date))->format('j F Y');
    }

    /**
     * Whether a sentence has its full stop already, within the quotation it ends with.
     *
     * @param  list<string|Word>  $parts
     */
    private static function ends(array $parts): bool
    {
        $last = $parts === [] ? '' : $parts[count($parts) - 1];

        return preg_match('/[.?]”$/u', $last instanceof Word ? $last->says : $last) === 1;
    }
}
