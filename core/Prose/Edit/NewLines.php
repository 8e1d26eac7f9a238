<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Edit;

use Linnet\Core\Prose\Grammar\Steps;
use Linnet\Core\Prose\Grammar\Texts;
use Linnet\Core\Prose\Language;
use Linnet\Core\Prose\Line;
use Linnet\Core\Prose\LineKind;
use Linnet\Core\Prose\Part;
use Linnet\Core\Prose\ProseError;
use Linnet\Core\Prose\Sentences;

/** A sentence that somebody wrote, with the block it cannot do without: words to begin with, answers, a first case. */
final class NewLines
{
    private const WORDS = '  | Hello {{ first_name | or: "there" }}, ';

    /**
     * @param  string  $written  one sentence, or several lines that belong together
     * @return list<string>
     */
    public static function of(Language $language, string $type, string $written): array
    {
        $lines = array_values(
            array_filter(explode("\n", str_replace("\r\n", "\n", trim($written, "\r\n"))), fn (string $line): bool => trim($line) !== ''),
        );
        if (count($lines) !== 1) {
            return self::outdented($lines);
        }
        $sentence = preg_replace('/[\s.:]+$/uD', '', trim($lines[0])) ?? '';
        $last = self::last($language, $type, $sentence);
        if ($last !== []) {
            return self::withBlock($sentence, $last);
        }
        $wording = Sentences::read($language->inside($type, 'wording'), $sentence);
        if (! $wording instanceof ProseError || preg_match('/^if they say something else/iu', $sentence) === 1) {
            return ["$sentence:", preg_match('/^if/iu', $sentence) === 1 ? '  | Sorry, I did not understand that.' : self::WORDS];
        }

        return [preg_match('/^(if|or if|otherwise)\b/iu', $sentence) === 1 ? "$sentence:" : "$sentence."];
    }

    /**
     * A sentence said otherwise: what its new kind cannot do without is added, and the words below it are kept, as the first wording where
     * there are several now.
     *
     * @param  Line  $was  the sentence before
     * @return array{list<string>, bool} the lines, and whether the words below are among them
     */
    public static function reworded(Language $language, string $type, Line $was, string $written): array
    {
        $sentence = trim(str_replace("\n", ' ', $written));
        $before = self::last($language, $type, Part::join($was->parts));
        $after = self::last($language, $type, preg_replace('/[\s.:]+$/uD', '', $sentence) ?? '');
        $isSame =
            ($before['do'] ?? null) === ($after['do'] ?? null) &&
            isset($before[Texts::WORDINGS]) === isset($after[Texts::WORDINGS]) &&
            isset($before[Steps::BODY]) === isset($after[Steps::BODY]);
        if ($was->kind !== LineKind::Steps || $after === [] || $isSame) {
            return [[$sentence], false];
        }
        $lines = self::of($language, $type, $sentence);
        $words = $was->words === null ? [] : array_map(fn (string $line): string => "  | $line", explode("\n", $was->words));
        if ($words !== [] && isset($after[Texts::WORDINGS])) {
            array_splice($lines, 2, 1, array_map(fn (string $line): string => "  $line", $words));

            return [$lines, true];
        }
        if ($words !== [] && ($lines[1] ?? '') === self::WORDS) {
            array_splice($lines, 1, 1, $words);

            return [$lines, true];
        }

        return [$lines, false];
    }

    /** @return array<array-key, mixed> the last step of a sentence; empty where it is none */
    private static function last(Language $language, string $type, string $sentence): array
    {
        $read = Sentences::read($language->steps($type), $sentence);
        $steps = $read instanceof ProseError || ! is_array($read['steps'] ?? null) ? [] : $read['steps'];
        $last = $steps === [] ? [] : $steps[count($steps) - 1];

        return is_array($last) ? $last : [];
    }

    /**
     * @param  array<array-key, mixed>  $step  the last of the sentence
     * @return list<string>
     */
    private static function withBlock(string $sentence, array $step): array
    {
        $many = $step[Texts::WORDINGS] ?? null;
        $block = match (true) {
            isset($step['pool']) => [],
            is_int($many) => array_merge(...array_map(fn (int $i): array => ["  wording $i:", '  '.self::WORDS], range(1, min(20, $many)))),
            in_array($step['do'] ?? '', ['text', 'ask'], true) => [self::WORDS],
            isset($step[Steps::BODY]) => [self::WORDS],
            ($step['do'] ?? '') === 'call_out' => ['  | {', '  |     "name": "{{ first_name | or: \"\" }}"', '  | }'],
            ($step['do'] ?? '') === 'branch' => ['  go on.'],
            default => [],
        };
        if (($step['do'] ?? '') === 'ask') {
            $block = [
                ...$block,
                '  if they answer "yes" (yes, y), go on.',
                '  if they answer "no" (no, n), go on.',
                '  if they have not answered within 1 day, go on.',
            ];
        }

        return [$sentence.($block === [] ? '.' : ':'), ...$block];
    }

    /**
     * @param  list<string>  $lines
     * @return list<string>
     */
    private static function outdented(array $lines): array
    {
        $least = min([100, ...array_map(fn (string $line): int => strlen($line) - strlen(ltrim($line, ' ')), $lines)]);

        return array_map(fn (string $line): string => substr($line, $least), $lines);
    }
}
