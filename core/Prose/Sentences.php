<?php

declare(strict_types=1);

namespace Linnet\Core\Prose;

use Linnet\Core\Document\Nearest;
use Linnet\Core\Prose\Phrase\Phrase;
use Linnet\Core\Reason;

/** One sentence against one phrase: written, read, completed. */
final class Sentences
{
    /** So many words are named as what may stand at a place. */
    private const OFFERED = 12;

    /**
     * A piece of a document in its settled form.
     *
     * @param  array<array-key, mixed>  $value
     * @return list<Part>
     */
    public static function write(Phrase $phrase, array $value): array
    {
        foreach ($phrase->write($value) as $written) {
            if ($written->isWhole()) {
                return $written->parts;
            }
        }

        throw new \LogicException('No words for '.json_encode($value));
    }

    /**
     * The piece of a document that a sentence stands for. Where several could be meant, it is the one whose settled form this is.
     *
     * @return array<array-key, mixed>|ProseError the place is a character of the sentence, from 1, in its column
     */
    public static function read(Phrase $phrase, string $sentence): array|ProseError
    {
        $in = new Reading($sentence);
        $whole = array_values(array_filter($in->at($phrase, 0), fn (Found $one): bool => $one->end === count($in->tokens)));
        if ($whole === []) {
            return self::unexpected($in);
        }
        if (count($whole) > 1) {
            $settled = array_values(
                array_filter($whole, fn (Found $one): bool => self::settled($phrase, $one) === Token::fold(trim($sentence))),
            );
            $whole = $settled === [] ? $whole : $settled;
        }

        return count($whole) === 1 ? $whole[0]->value : new ProseError(1, 1, new Reason('prose.two_readings', [
            'first' => self::settled($phrase, $whole[0]), 'second' => self::settled($phrase, $whole[1]),
        ]));
    }

    /**
     * How half a sentence may go on: whole texts that begin with it.
     *
     * @return list<Completion>
     */
    public static function complete(Phrase $phrase, string $begun): array
    {
        $in = new Reading($begun);
        $isWhole = array_filter($in->at($phrase, 0), fn (Found $one): bool => $one->end === count($in->tokens)) !== [];
        $found = [];
        foreach (self::offers($in) as [$at, $text, $kind]) {
            $rest = $in->rest($at);
            if ($text === '') {
                // Whatever one types: the kind of it is all that can be said.
                $found["…$kind"] ??= new Completion(trim($begun), '', $kind, 0);
            }
            // A word may be written to its end and still be the beginning of a longer one.
            if ($text !== '' && self::begins($text, $rest) && Token::fold(trim($rest)) !== Token::fold($text)) {
                $before = substr($begun, 0, $in->start($at));
                $whole = rtrim($before).(Part::isApart(rtrim($before), $text) ? ' ' : '').$text;
                $found[Token::fold($whole)] ??= new Completion($whole, $text, $kind, mb_strlen(trim($rest), 'UTF-8'));
            }
        }
        usort($found, fn (Completion $a, Completion $b): int => $b->typed <=> $a->typed);

        return [...($isWhole ? [new Completion(trim($begun), '', null, 0)] : []), ...$found];
    }

    /** @return iterable<array{int, string, string|null}> place, words, and the kind of value they are */
    private static function offers(Reading $in): iterable
    {
        $count = count($in->tokens);
        foreach ($in->words() as $at => $words) {
            foreach ($at <= $count ? $words : [] as $one) {
                yield [$at, $one, null];
            }
        }
        foreach ($in->slots() as $at => $slots) {
            foreach ($at <= $count ? $slots : [] as $slot) {
                $suggested = $slot->suggest($in->rest($at));
                foreach ($suggested === [] && trim($in->rest($at)) === '' ? [''] : $suggested as $one) {
                    yield [$at, $one, $slot->kind()];
                }
            }
        }
    }

    /** Whether words go on with what is written: an article before them may be left out. */
    private static function begins(string $words, string $written): bool
    {
        $written = Token::fold(ltrim($written));
        $words = Token::fold($words);
        $bare = preg_replace('/^(, )?(the |a |an )?/', '', $words) ?? $words;

        return str_starts_with($words, $written) || str_starts_with($bare, $written);
    }

    private static function settled(Phrase $phrase, Found $found): string
    {
        return Token::fold(Part::join(self::write($phrase, $found->value)));
    }

    private static function unexpected(Reading $in): ProseError
    {
        $at = min($in->furthest(), count($in->tokens));
        $start = $in->start($at);
        $expected = $in->words()[$at] ?? [];
        foreach ($in->slots()[$at] ?? [] as $slot) {
            array_push($expected, ...$slot->suggest(''));
        }
        // With a comma before them or without, they are the same words.
        $expected = array_values(array_unique(array_map(fn (string $one): string => ltrim($one, ', '), $expected)));
        $written = $in->tokens[$at]->text ?? '';
        $understood = trim(substr($in->text, 0, $start));

        return new ProseError(
            1,
            mb_strlen(substr($in->text, 0, $start), 'UTF-8') + 1,
            new Reason(
                match (true) {
                    $understood === '' => 'prose.begins',
                    $written === '' => 'prose.ends_early',
                    $expected === [] => 'prose.too_much',
                    default => 'prose.expected',
                },
                [
                    'understood' => $understood, 'written' => $written, 'expected' => array_slice($expected, 0, self::OFFERED),
                    'more' => max(0, count($expected) - self::OFFERED),
                    'nearest' => $written === '' ? '' : self::nearest($written, $expected),
                ],
            ),
        );
    }

    /**
     * The known words that were meant, by what they begin with.
     *
     * @param  list<string>  $expected
     */
    private static function nearest(string $written, array $expected): string
    {
        $first = Nearest::to($written, array_map(fn (string $one): string => (Token::all($one)[0] ?? null)->text ?? '', $expected));
        foreach ($expected as $one) {
            if ($first !== null && str_starts_with($one, $first)) {
                return $one;
            }
        }

        return '';
    }
}
