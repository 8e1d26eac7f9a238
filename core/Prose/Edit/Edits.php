<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Edit;

use Linnet\Core\Prose\LineKind;

/** What can be done to a rule's text: each gives the lines as they are then. */
final class Edits
{
    /**
     * A sentence said otherwise; what it holds stays.
     *
     * @param  list<string>  $written  lines, the first of them the sentence
     * @param  bool  $withWords  the words below it are among them
     * @return list<TextLine>
     */
    public static function rewrite(RuleText $text, int $line, array $written, bool $withWords = false): array
    {
        $depth = $text->lines[$line]->depth();
        $opens = $text->sentences[$line]->opens || count($written) > 1;
        $new = [new TextLine(self::indented(self::ended($written[0] ?? '', $opens), $depth), $line)];
        foreach (array_slice($written, 1) as $more) {
            $new[] = new TextLine(str_repeat('  ', $depth).$more);
        }

        return [
            ...array_slice($text->lines, 0, $line),
            ...$new,
            ...array_slice($text->lines, $withWords ? $text->behindWords($line) : $line + 1),
        ];
    }

    /**
     * The words below a sentence said otherwise.
     *
     * @return list<TextLine>
     */
    public static function words(RuleText $text, int $line, string $words): array
    {
        $indent = str_repeat('  ', $text->lines[$line]->depth() + 1);
        $new = array_map(fn (string $one): TextLine => new TextLine("$indent| $one"), explode("\n", $words));

        return [...array_slice($text->lines, 0, $line + 1), ...$new, ...array_slice($text->lines, $text->behindWords($line))];
    }

    /**
     * New lines before a line.
     *
     * @param  list<string>  $written  indented as they belong together
     * @return list<TextLine>
     */
    public static function insert(RuleText $text, int $before, int $depth, array $written): array
    {
        $new = array_map(fn (string $one): TextLine => new TextLine(str_repeat('  ', $depth).$one), $written);

        return [...self::opened(array_slice($text->lines, 0, $before), $depth), ...$new, ...array_slice($text->lines, $before)];
    }

    /**
     * A sentence taken out, with all it holds.
     *
     * @return list<TextLine>
     */
    public static function remove(RuleText $text, int $line): array
    {
        return [...array_slice($text->lines, 0, $line), ...array_slice($text->lines, $text->behindBlock($line))];
    }

    /**
     * A sentence once more behind itself, with all it holds.
     *
     * @return list<TextLine>
     */
    public static function copy(RuleText $text, int $line): array
    {
        $end = $text->behindBlock($line);
        $block = array_map(fn (TextLine $one): TextLine => $one->anew(), array_slice($text->lines, $line, $end - $line));

        return [...array_slice($text->lines, 0, $end), ...$block, ...array_slice($text->lines, $end)];
    }

    /**
     * A sentence with all it holds moved to stand before a line, at a depth.
     *
     * @return list<TextLine>
     */
    public static function moveTo(RuleText $text, int $line, int $before, int $depth): array
    {
        $end = $text->behindBlock($line);
        if ($before > $line && $before < $end) {
            return $text->lines;
        }
        $deeper = $depth - $text->lines[$line]->depth();
        $block = array_map(
            fn (TextLine $one): TextLine => $one->at($one->depth() + $deeper),
            array_slice($text->lines, $line, $end - $line),
        );
        $rest = [...array_slice($text->lines, 0, $line), ...array_slice($text->lines, $end)];
        $at = $before > $line ? $before - ($end - $line) : $before;

        return [...self::opened(array_slice($rest, 0, $at), $depth), ...$block, ...array_slice($rest, $at)];
    }

    /**
     * With the sentence above opened for what comes to stand in it.
     *
     * @param  list<TextLine>  $lines  those before a place
     * @return list<TextLine>
     */
    private static function opened(array $lines, int $depth): array
    {
        for ($at = count($lines) - 1; $at >= 0; $at--) {
            if (! $lines[$at]->isWords() && $lines[$at]->depth() < $depth) {
                $lines = [
                    ...array_slice($lines, 0, $at),
                    new TextLine((preg_replace('/(?:, go on)?[\s.:]*$/uD', '', $lines[$at]->text) ?? '').':', $lines[$at]->was),
                    ...array_slice($lines, $at + 1),
                ];
                break;
            }
        }

        return $lines;
    }

    /**
     * One place up or down: past its neighbour, or out of its block at either end of it.
     *
     * @return list<TextLine>
     */
    public static function move(RuleText $text, int $line, bool $up): array
    {
        $depth = $text->lines[$line]->depth();
        $neighbour = $up ? $text->before($line) : $text->behind($line);
        if ($neighbour !== null) {
            return self::moveTo($text, $line, $up ? $neighbour : $text->behindBlock($neighbour), $depth);
        }

        return $text->sentences[$line]->kind === LineKind::Steps ? self::lift($text, $line, $up) : $text->lines;
    }

    /**
     * Out of the block it stands in, before or behind what holds it.
     *
     * @return list<TextLine>
     */
    public static function lift(RuleText $text, int $line, bool $up = false): array
    {
        $holder = self::holder($text, $line);

        return $holder === null
            ? $text->lines
            : self::moveTo($text, $line, $up ? $holder : $text->behindBlock($holder), $text->lines[$holder]->depth());
    }

    /**
     * Into the last block of the sentence before it.
     *
     * @return list<TextLine>
     */
    public static function nest(RuleText $text, int $line): array
    {
        $before = $text->before($line);
        if ($before === null || $text->sentences[$line]->kind !== LineKind::Steps) {
            return $text->lines;
        }
        // The last that can hold steps: a case, an answer, or the sentence itself.
        for ($into = $line - 1; $into >= $before; $into--) {
            $sentence = $text->sentences[$into] ?? null;
            $holds =
                $sentence !== null &&
                (in_array($sentence->kind, [LineKind::Branch, LineKind::Answer], true) ||
                    ($sentence->kind === LineKind::Steps &&
                        $sentence->opens &&
                        $sentence->words === null &&
                        $into === $before &&
                        $sentence->letter === null));
            if (
                $sentence !== null &&
                $holds &&
                $text->lines[$into]->depth() <= $text->lines[$before]->depth() + 1 &&
                ! str_contains($sentence->path, 'unclear') &&
                $sentence->parts[0]->text !== 'go on'
            ) {
                return self::moveTo($text, $line, $line, $text->lines[$into]->depth() + 1);
            }
        }

        return $text->lines;
    }

    /** The step whose block a step stands in. */
    private static function holder(RuleText $text, int $line): ?int
    {
        for ($at = $text->above($line); $at !== null; $at = $text->above($at)) {
            if ($text->sentences[$at]->kind === LineKind::Steps) {
                return $at;
            }
            // A further case stands beside its step, not in it.
            if ($text->sentences[$at]->kind === LineKind::Branch) {
                for ($step = $at - 1; $step > 0; $step--) {
                    if (
                        ($text->sentences[$step]->kind ?? null) === LineKind::Steps &&
                        $text->lines[$step]->depth() === $text->lines[$at]->depth()
                    ) {
                        return $step;
                    }
                }
            }
        }

        return null;
    }

    private static function indented(string $sentence, int $depth): string
    {
        return str_repeat('  ', $depth).trim($sentence);
    }

    /** With the sign that what it holds asks for. */
    private static function ended(string $sentence, bool $opens): string
    {
        $bare = preg_replace('/[\s.:]+$/uD', '', $sentence) ?? $sentence;

        return $bare.($opens ? ':' : '.');
    }
}
