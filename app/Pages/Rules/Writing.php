<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use Linnet\Core\Prose\Edit\RuleText;
use Linnet\Core\Prose\Language;
use Linnet\Core\Prose\Line;
use Linnet\Core\Prose\LineKind;
use Linnet\Core\Prose\Part;
use Linnet\Core\Prose\RuleWriter;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\Step\Branch;
use Linnet\Core\Rule\Step\Texting;

/**
 * A rule as sentences to be read and written: each with its words that can be changed, and the places between them where another can
 * stand.
 */
final readonly class Writing
{
    /** @var array<int, WrittenLine> by the number of the line in the rule's text, from 0 */
    public array $lines;

    public function __construct(public Language $language, private Rule $rule)
    {
        $text = RuleText::of($language, $rule);
        $numbers = array_keys($text->sentences);
        $shown = (new RuleWriter($language))->lines($rule);
        $lines = [];
        $last = null;
        foreach ($shown as $i => $line) {
            $step = $rule->flow->step($line->steps[count($line->steps) - 1] ?? '');
            // A wording belongs to the text above it.
            $step = $line->kind === LineKind::Wording ? $last : $step;
            $last = $line->kind === LineKind::Steps || $line->kind === LineKind::Wording ? $step : null;
            $lines[$numbers[$i]] = new WrittenLine(
                $numbers[$i], $line, $step instanceof Texting ? $step : null, $this->gaps($text, $shown, $numbers, $i),
                $text->before($numbers[$i]) !== null || $line->depth > 1,
            );
        }
        $this->lines = $lines;
    }

    /** @return list<non-empty-list<WrittenLine>> the lines, those of several wordings together */
    public function sideBySide(): array
    {
        $groups = [];
        foreach ($this->lines as $line) {
            $last = $groups === [] ? null : $groups[count($groups) - 1][0];
            if ($last !== null && $line->line->kind === LineKind::Wording && $last->line->kind === LineKind::Wording) {
                $groups[count($groups) - 1][] = $line;
            } else {
                $groups[] = [$line];
            }
        }

        return $groups;
    }

    /** What a line of a kind is read and completed by. */
    public function type(): string
    {
        return $this->rule->trigger->type();
    }

    public function on(): string
    {
        $on = $this->rule->trigger->toDocument()['on'] ?? '';

        return is_string($on) ? $on : '';
    }

    /** The line that says a step; else the one at a place, or the nearest before it. */
    public function near(int $line, ?string $step): int
    {
        foreach ($step === null ? [] : $this->lines as $number => $one) {
            if (in_array($step, $one->line->steps, true)) {
                return $number;
            }
        }

        return max([0, ...array_filter(array_keys($this->lines), fn (int $number): bool => $number <= $line)]);
    }

    /** The first of so many lines, from one on, that has words to be written. */
    public function firstLetter(int $from, int $lines): ?int
    {
        $ahead = array_filter($this->lines, fn (int $number): bool => $number >= $from, ARRAY_FILTER_USE_KEY);
        foreach (array_slice($ahead, 0, max(0, $lines)) as $one) {
            if ($one->line->words !== null) {
                return $one->number;
            }
        }

        return null;
    }

    /** The line whose words are these: where a mend puts others. */
    public function lineOfWords(string $step, string $words): ?WrittenLine
    {
        $within = false;
        foreach ($this->lines as $line) {
            $within = $line->line->kind === LineKind::Steps ? in_array($step, $line->line->steps, true) : $within;
            if ($within && $line->line->words === $words) {
                return $line;
            }
        }

        return null;
    }

    /** The rule in one plain sentence, for lists. */
    public static function inOneSentence(Language $language, Rule $rule): string
    {
        $texts = count($rule->flow->texts());
        $beginning = (new RuleWriter($language))->beginning($rule);

        return Line::capital(Part::join($beginning->parts)).': '.match ($texts) {
            0 => 'no text', 1 => 'one text', default => "$texts texts",
        }.($texts > 0 && $rule->stopEarly->onReply ? ', until they reply.' : '.');
    }

    /**
     * The places behind a line where another can be written, the innermost first.
     *
     * @param  list<Line>  $shown
     * @param  list<int>  $numbers
     * @return list<Gap>
     */
    private function gaps(RuleText $text, array $shown, array $numbers, int $i): array
    {
        $line = $shown[$i];
        $next = $shown[$i + 1] ?? null;
        $before = $text->behindWords($numbers[$i]);
        if ($line->kind === LineKind::Closing) {
            return $next === null ? [new Gap($before, 0, 'closing')] : [];
        }
        $nextDepth = $next === null || $next->kind === LineKind::Closing ? 1 : $next->depth;
        $gaps = [];
        for ($depth = max($line->depth + 1, $nextDepth); $depth >= max(1, $nextDepth); $depth--) {
            $which = $this->kindAt($shown, $i, $depth);
            // Nothing stands between a case and the next of it but what belongs to the case.
            if (
                $which !== null &&
                ! ($next !== null && $next->kind === LineKind::Branch && $next->depth === $depth && Part::join($next->parts) !== 'go on')
            ) {
                $gaps[] = new Gap($before, $depth, $which);
            }
        }

        // What is typed at one of them may belong to another: an answer behind the steps of the one before.
        return array_map(
            fn (Gap $gap): Gap => new Gap(
                $gap->before, $gap->depth, $gap->which, array_diff_key(array_column($gaps, 'depth', 'which'), [$gap->which => 1]),
            ),
            $gaps,
        );
    }

    /**
     * What can stand behind a line at a depth; null for nothing.
     *
     * @param  list<Line>  $shown
     */
    private function kindAt(array $shown, int $i, int $depth): ?string
    {
        if ($depth > $shown[$i]->depth) {
            return self::holds($shown[$i]);
        }
        // The last line before at that depth says what its block holds, and whether a further case may follow.
        for ($at = $i; $shown[$at]->depth > $depth; $at--);

        return match ($shown[$at]->kind) {
            LineKind::Answer => 'answer',
            LineKind::Wording => 'wording',
            LineKind::Branch => Part::join($shown[$at]->parts) === 'go on' ? 'steps' : 'branch',
            LineKind::Steps => $this->isBranch($shown[$at]) ? 'branch' : 'steps',
            default => null,
        };
    }

    /** What the block below a line is made of. */
    private function holds(Line $line): ?string
    {
        return match ($line->kind) {
            LineKind::Beginning => 'steps',
            LineKind::Answer => str_contains($line->path, 'unclear') ? null : 'steps',
            LineKind::Branch => Part::join($line->parts) === 'go on' ? null : 'steps',
            LineKind::Steps => $this->isBranch($line) ? 'steps' : null,
            default => null,
        };
    }

    private function isBranch(Line $line): bool
    {
        return $this->rule->flow->step($line->steps[0] ?? '') instanceof Branch;
    }
}
