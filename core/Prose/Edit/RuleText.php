<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Edit;

use Linnet\Core\Prose\Language;
use Linnet\Core\Prose\Line;
use Linnet\Core\Prose\LineKind;
use Linnet\Core\Prose\RuleWriter;
use Linnet\Core\Rule\Rule;

/** A rule's text line by line, as it is changed on the page: a sentence a line, the words below it behind strokes. */
final readonly class RuleText
{
    /**
     * @param  list<TextLine>  $lines
     * @param  array<int, Line>  $sentences  by the number of their line, from 0
     */
    private function __construct(public array $lines, public array $sentences)
    {
    }

    public static function of(Language $language, Rule $rule): self
    {
        $lines = $sentences = [];
        foreach ((new RuleWriter($language))->lines($rule, true) as $line) {
            $sentences[count($lines)] = $line;
            foreach (explode("\n", rtrim($line->text(), "\n")) as $raw) {
                $lines[] = new TextLine($raw, count($lines));
            }
        }

        return new self($lines, $sentences);
    }

    /** Two texts are the same where their lines are. */
    public function text(): string
    {
        return self::join($this->lines);
    }

    /** @param  list<TextLine>  $lines */
    public static function join(array $lines): string
    {
        return implode("\n", array_map(fn (TextLine $line): string => $line->text, $lines))."\n";
    }

    public function has(int $line): bool
    {
        return isset($this->sentences[$line]);
    }

    /** The line behind a sentence and the words below it. */
    public function behindWords(int $line): int
    {
        for ($end = $line + 1; isset($this->lines[$end]) && $this->lines[$end]->isWords(); $end++);

        return $end;
    }

    /** The line behind a sentence with all that it holds, further cases of it included. */
    public function behindBlock(int $line): int
    {
        $depth = $this->lines[$line]->depth();
        $isSteps = ($this->sentences[$line]->kind ?? null) === LineKind::Steps;
        for ($end = $this->behindWords($line); isset($this->lines[$end]); $end = $this->behindWords($end)) {
            $isCase = $isSteps && ($this->sentences[$end]->kind ?? null) === LineKind::Branch && $this->lines[$end]->depth() === $depth;
            if ($this->lines[$end]->depth() <= $depth && ! $isCase) {
                break;
            }
        }

        return $end;
    }

    /** The sentence before another in the same block, with all it holds; null for the first. */
    public function before(int $line): ?int
    {
        $depth = $this->lines[$line]->depth();
        for ($at = $line - 1; $at > 0; $at--) {
            if (! isset($this->sentences[$at])) {
                continue;
            }
            if ($this->lines[$at]->depth() < $depth) {
                return null;
            }
            if ($this->lines[$at]->depth() === $depth && $this->sentences[$at]->kind === $this->sentences[$line]->kind) {
                return $at;
            }
        }

        return null;
    }

    /** The sentence behind another in the same block; null for the last. */
    public function behind(int $line): ?int
    {
        $next = $this->behindBlock($line);

        return isset($this->sentences[$next]) &&
            $this->lines[$next]->depth() === $this->lines[$line]->depth() &&
            $this->sentences[$next]->kind === $this->sentences[$line]->kind
            ? $next
            : null;
    }

    /** The sentence that holds another; null at the outermost. */
    public function above(int $line): ?int
    {
        for ($at = $line - 1; $at >= 0; $at--) {
            if (isset($this->sentences[$at]) && $this->lines[$at]->depth() < $this->lines[$line]->depth()) {
                return $at;
            }
        }

        return null;
    }
}
