<?php

declare(strict_types=1);

namespace Linnet\Core\Prose;

use Linnet\Core\Prose\Grammar\Closing;
use Linnet\Core\Prose\Grammar\Steps;
use Linnet\Core\Prose\Grammar\Texts;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\Step\Texting;

/** A rule as the sentences that Linnet can read again. */
final class RuleWriter
{
    /** Steps that lead into a text within one sentence. */
    private const LEADS = ['wait', 'go_on_only_if'];

    private string $type = '';

    /** @var array<string, string> what a step is called where another goes back to it, by id */
    private array $targets = [];

    /** @var array<string, string> of the texts, by id */
    private array $letters = [];

    public function __construct(private readonly Language $language)
    {
    }

    /** The whole rule as a file. */
    public function text(Rule $rule): string
    {
        $text = 'Rule: '.self::header($rule->name)."\n";
        $text .= $rule->folder === null ? '' : 'Folder: '.self::header($rule->folder)."\n";
        $text .= $rule->key === null ? '' : "Known as: $rule->key\n";
        $text .= "\n";
        foreach ($this->lines($rule) as $line) {
            $text .= $line->kind === LineKind::Beginning ? self::broken($line) : $line->text();
        }

        return $text;
    }

    /** The sentence that says when it begins, and only if what holds. */
    public function beginning(Rule $rule): Line
    {
        $said = ['trigger' => $rule->trigger->toDocument(), 'conditions' => $rule->conditions->toDocument()];

        return new Line(LineKind::Beginning, 0, Sentences::write($this->language->beginning(), $said), true, path: '$.trigger');
    }

    /**
     * @param  bool  $byId  steps that others go back to are named by their ids, which stay when letters change
     * @return list<Line>
     */
    public function lines(Rule $rule, bool $byId = false): array
    {
        $document = $rule->toDocument();
        $this->type = $rule->trigger->type();
        [$this->targets, $this->letters] = self::targets($rule);
        if ($byId) {
            $this->targets = array_map(
                fn (int|string $id): string => 'step '.Token::quote((string) $id),
                array_combine(array_keys($this->targets), array_keys($this->targets)),
            );
        }

        return [$this->beginning($rule), ...$this->steps(self::list($document['steps']), 1, '$.steps'), ...$this->closing($document)];
    }

    /**
     * The letter of each text, and what each step is called where another goes back to it.
     *
     * @return array{array<string, string>, array<string, string>} both by step id
     */
    public static function targets(Rule $rule): array
    {
        $targets = $letters = [];
        foreach (array_values($rule->flow->steps) as $i => $step) {
            $letter = $step instanceof Texting ? self::letter(count($letters)) : null;
            $targets[$step->id()] = $letter === null ? 'step '.($i + 1) : "text $letter";
            if ($letter !== null) {
                $letters[$step->id()] = $letter;
            }
        }

        return [$targets, $letters];
    }

    /** a to z, then aa. */
    public static function letter(int $i): string
    {
        return ($i < 26 ? '' : chr(ord('a') + intdiv($i, 26) - 1)).chr(ord('a') + $i % 26);
    }

    /**
     * @param  list<array<array-key, mixed>>  $steps
     * @return list<Line>
     */
    private function steps(array $steps, int $depth, string $path): array
    {
        $lines = [];
        for ($i = 0; $i < count($steps); $i++) {
            $first = $i;
            // Waits and looks lead into a text.
            for ($to = $i; in_array($steps[$to]['do'] ?? '', self::LEADS, true) && isset($steps[$to + 1]); $to++);
            $i = in_array($steps[$to]['do'] ?? '', ['text', 'ask'], true) ? $to : $i;
            array_push($lines, ...$this->sentence(array_slice($steps, $first, $i - $first + 1), $depth, $path, $first));
        }

        return $lines;
    }

    /**
     * @param  list<array<array-key, mixed>>  $steps  of which the last may hold others
     * @return list<Line>
     */
    private function sentence(array $steps, int $depth, string $path, int $first): array
    {
        $last = $steps[count($steps) - 1];
        $at = $path.'['.($first + count($steps) - 1).']';
        $said = array_map($this->said(...), $steps);
        $inside = $this->inside($last, $depth + 1, $at);
        $words = self::words($last, $said[count($said) - 1]);
        $ids = array_values(array_filter(array_column($steps, 'id'), is_string(...)));
        $opens = $inside !== [] || $words !== null || ($last['do'] ?? '') === 'branch';

        return [
            new Line(
                LineKind::Steps, $depth, Sentences::write($this->language->steps($this->type), ['steps' => $said]), $opens, $words,
                $path."[$first]", $ids, $this->letters[$ids[count($ids) - 1] ?? ''] ?? null,
            ),
            ...$inside,
        ];
    }

    /**
     * A step as its sentence says it: without what stands in the block below.
     *
     * @param  array<array-key, mixed>  $step
     * @return array<array-key, mixed>
     */
    private function said(array $step): array
    {
        $said = array_diff_key($step, ['id' => 1]);

        return match ($step['do'] ?? '') {
            'text', 'ask' => array_diff_key($said, [
                'wordings' => 1, 'closing' => 1, 'answers' => 1, 'within' => 1, 'no_answer' => 1, 'unclear' => 1,
            ]) + (self::isPlain($step) || isset($step['pool']) ? [] : [Texts::WORDINGS => count(self::list($step['wordings'] ?? []))]),
            'branch' => ['do' => 'branch', 'if' => self::list($step['cases'] ?? [])[0]['if'] ?? []],
            'repeat' => array_diff_key($said, ['to' => 1]) + [
                Steps::TARGET => $this->targets[is_string($step['to'] ?? null) ? $step['to'] : ''] ?? '',
            ],
            'call_out' => array_diff_key($said, ['body' => 1]),
            'tell_staff', 'task' => is_string($step['words'] ?? null) && preg_match('/["\n\\\\“”]/u', $step['words']) === 1
                ? array_diff_key($said, ['words' => 1]) + [Steps::BODY => true]
                : $said,
            default => $said,
        };
    }

    /**
     * What stands on the lines below a sentence.
     *
     * @param  array<array-key, mixed>  $step
     * @param  array<array-key, mixed>  $said
     */
    private static function words(array $step, array $said): ?string
    {
        return match (true) {
            isset($said[Steps::BODY]) => is_string($step['words'] ?? null) ? $step['words'] : null,
            ($step['do'] ?? '') === 'call_out' => ($step['body'] ?? []) === []
                ? '{}'
                : json_encode(
                    $step['body'],
                    JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR,
                ),
            in_array($step['do'] ?? '', ['text', 'ask'], true) && self::isPlain($step) => self::wordsOf(
                self::list($step['wordings'] ?? [])[0] ?? [],
            ),
            default => null,
        };
    }

    /**
     * One wording, of which nothing is to be said.
     *
     * @param  array<array-key, mixed>  $step
     */
    private static function isPlain(array $step): bool
    {
        $wordings = self::list($step['wordings'] ?? []);

        return count($wordings) === 1 &&
            ! isset($step['turns']) &&
            ! isset($step['closing']) &&
            ! isset($wordings[0]['weight']) &&
            ! isset($wordings[0]['most']);
    }

    /**
     * @param  array<array-key, mixed>  $step
     * @return list<Line>
     */
    private function inside(array $step, int $depth, string $path): array
    {
        return match ($step['do'] ?? '') {
            'text' => $this->wordings($step, $depth, $path),
            'ask' => [...$this->wordings($step, $depth, $path), ...$this->answers($step, $depth, $path)],
            'branch' => $this->cases($step, $depth, $path),
            default => [],
        };
    }

    /**
     * @param  array<array-key, mixed>  $step
     * @return list<Line>
     */
    private function wordings(array $step, int $depth, string $path): array
    {
        $lines = [];
        $several = ! self::isPlain($step) && ! isset($step['pool']) ? self::list($step['wordings'] ?? []) : [];
        foreach ($several as $i => $wording) {
            $lines[] = $this->block(
                'wording', ['block' => 'wording', 'number' => $i + 1] + array_diff_key($wording, ['id' => 1, 'text' => 1]),
                LineKind::Wording, $depth, true, "{$path}.wordings[$i]", self::wordsOf($wording),
            );
        }
        if (is_array($step['closing'] ?? null)) {
            $lines[] = $this->block(
                'wording', ['block' => 'closing'] + array_diff_key($step['closing'], ['id' => 1, 'text' => 1]), LineKind::Wording, $depth,
                true, "$path.closing", self::wordsOf($step['closing']),
            );
        }

        return $lines;
    }

    /**
     * @param  array<array-key, mixed>  $step
     * @return list<Line>
     */
    private function answers(array $step, int $depth, string $path): array
    {
        $lines = [];
        foreach (self::list($step['answers'] ?? []) as $i => $answer) {
            $steps = self::list($answer['steps'] ?? []);
            $lines[] = $this->block(
                'answer', ['block' => 'answer'] + array_diff_key($answer, ['steps' => 1]), LineKind::Answer, $depth, $steps !== [],
                "{$path}.answers[$i]",
            );
            array_push($lines, ...$this->steps($steps, $depth + 1, "{$path}.answers[$i].steps"));
        }
        if (is_string($step['unclear'] ?? null)) {
            $lines[] = $this->block('answer', ['block' => 'unclear'], LineKind::Answer, $depth, true, "$path.unclear", $step['unclear']);
        }
        $steps = self::list($step['no_answer'] ?? []);
        $lines[] = $this->block(
            'answer', ['block' => 'no_answer', 'within' => $step['within'] ?? []], LineKind::Answer, $depth, $steps !== [],
            "$path.no_answer",
        );

        return [...$lines, ...$this->steps($steps, $depth + 1, "$path.no_answer")];
    }

    /**
     * The first case is said by the step's own sentence.
     *
     * @param  array<array-key, mixed>  $step
     * @return list<Line>
     */
    private function cases(array $step, int $depth, string $path): array
    {
        $lines = [];
        foreach (self::list($step['cases'] ?? []) as $i => $case) {
            $steps = self::list($case['steps'] ?? []);
            if ($i > 0) {
                $lines[] = $this->block(
                    'case', ['block' => 'case', 'if' => $case['if'] ?? []], LineKind::Branch, $depth - 1, true, "{$path}.cases[$i]",
                );
            }
            array_push(
                $lines,
                ...$steps === []
                    ? [new Line(LineKind::Branch, $depth, [new Part('go on')], path: "{$path}.cases[$i].steps")]
                    : $this->steps($steps, $depth, "{$path}.cases[$i].steps"),
            );
        }
        $steps = self::list($step['otherwise'] ?? []);
        if ($steps !== []) {
            $lines[] = $this->block('case', ['block' => 'otherwise'], LineKind::Branch, $depth - 1, true, "$path.otherwise");
        }

        return [...$lines, ...$this->steps($steps, $depth, "$path.otherwise")];
    }

    /** @param  array<array-key, mixed>  $value */
    private function block(string $which, array $value, LineKind $kind, int $depth, bool $opens, string $path, ?string $words = null): Line
    {
        $parts = Sentences::write($this->language->inside($this->type, $which), $value);

        return new Line($kind, $depth, $which === 'answer' && ! $opens ? [...$parts, new Part(', go on')] : $parts, $opens, $words, $path);
    }

    /**
     * @param  array<string, mixed>  $document
     * @return list<Line>
     */
    private function closing(array $document): array
    {
        $stop = is_array($document['stop_early']) ? $document['stop_early'] : [];
        $said = ['reply' => $stop['reply'] ?? null, 'while' => $stop['while'] ?? null, 'we_write' => $stop['we_write'] ?? null] + $document;
        $lines = [];
        $on = is_array($document['trigger']) && is_string($document['trigger']['on'] ?? null) ? $document['trigger']['on'] : '';
        foreach (array_intersect(Closing::KEYS, array_keys(array_filter($said, fn (mixed $value): bool => $value !== null))) as $key) {
            $parts = Sentences::write($this->language->closing($this->type, $on), [$key => $said[$key]]);
            $lines[] = new Line(
                LineKind::Closing, 0, $parts, path: in_array($key, ['reply', 'while', 'we_write'], true) ? "\$.stop_early.$key" : "\$.$key",
            );
        }

        return $lines;
    }

    /** From the second on, the conditions stand on lines of their own. */
    private static function broken(Line $line): string
    {
        $text = '';
        $only = false;
        $deep = 0;
        foreach ($line->parts as $part) {
            $only = $only || $part->text === ', if';
            $deep += ($part->text === '(' ? 1 : 0) - ($part->text === ')' ? 1 : 0);
            $breaks = $only && $deep === 0 && $part->kind === 'join';
            $text .= $breaks ? "\n  " : (Part::isApart($text, $part->text) && ! str_ends_with($text, "\n  ") ? ' ' : '');
            $text .= $part->text;
        }

        return Line::capital($text).":\n";
    }

    private static function header(string $text): string
    {
        return preg_match('/^[^"“\s](?:.*[^\s])?$/Du', $text) === 1 && ! str_contains($text, "\n") ? $text : Token::quote($text);
    }

    /** @param  array<array-key, mixed>  $wording */
    private static function wordsOf(array $wording): string
    {
        return is_string($wording['text'] ?? null) ? $wording['text'] : '';
    }

    /** @return list<array<array-key, mixed>> */
    private static function list(mixed $list): array
    {
        return is_array($list) ? array_values(array_filter($list, is_array(...))) : [];
    }
}
