<?php

declare(strict_types=1);

namespace Tests\Core\Text;

use Linnet\Core\Document\Doc;
use Linnet\Core\Text\Words\Folded;
use Linnet\Core\Text\Words\Keywords;
use Linnet\Core\Text\Words\Listening;
use Linnet\Core\Text\Words\OptOutSentence;
use Linnet\Core\Text\Words\ReservedWords;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class WordsInTest extends TestCase
{
    /** @param  array<string, mixed>  $keywords */
    #[DataProvider('texts')]
    public function testWhatAWordIsFoundIn(array $keywords, string $text, ?string $remark): void
    {
        self::assertSame($remark, Keywords::read(Doc::of($keywords))->remark($text));
    }

    /** @return iterable<string, array{array<string, mixed>, string, string|null}> */
    public static function texts(): iterable
    {
        $first = ['words' => ['kayak'], 'match' => 'first', 'forgive_typos' => true];
        yield 'the whole text, whatever its case and edges' => [['words' => ['YES']], '  “Yes!!” 👍', ''];
        yield 'full-width letters are letters' => [['words' => ['yes']], 'ＹＥＳ', ''];
        yield 'not the whole text' => [['words' => ['yes']], 'yes please', null];
        yield 'several words' => [['words' => ['water level']], 'Water   level?', ''];
        yield 'first, with the rest as it was written' => [$first, 'Kayak, Tomorrow at 3?', 'Tomorrow at 3?'];
        yield 'not first' => [$first, 'a kayak please', null];
        yield 'a letter changed about' => [$first, 'kayka tomorrow', 'tomorrow'];
        yield 'a letter missing' => [$first, 'kyak', ''];
        yield 'a letter too many' => [$first, 'kayakk', ''];
        yield 'another letter' => [$first, 'kavak', ''];
        yield 'two slips are too many' => [$first, 'kvak', null];
        yield 'short words are not forgiven' => [['words' => ['yes'], 'forgive_typos' => true], 'yea', null];
        yield 'a word of five is' => [['words' => ['later'], 'forgive_typos' => true], 'lter', ''];
        yield 'anywhere' => [['words' => ['level'], 'match' => 'anywhere'], 'What is the level, please?', ''];
        yield 'not within a word' => [['words' => ['row'], 'match' => 'anywhere'], 'tomorrow', null];
        yield 'the empty text' => [['words' => ['yes']], ' ', null];
        yield 'one of several' => [['words' => ['canoe', 'rowing boat']], 'Rowing boat!', ''];
    }

    #[DataProvider('meanings')]
    public function testTheOrderOfMeaning(string $text, string $meaning, ?int $answer = null, bool $asked = true): void
    {
        $answers = [Keywords::read(Doc::of(['words' => ['yes']])), Keywords::read(Doc::of(['words' => ['cancel', 'stop it']]))];
        $heard = (new Listening(
            ReservedWords::read(Doc::of(['opt_out' => ['STOP', 'CANCEL'], 'opt_in' => ['START'], 'help' => ['HELP']])),
            $asked ? ['7' => $answers] : [],
            [
                '3' => [Keywords::read(Doc::of(['words' => ['kayak', 'yes'], 'match' => 'first'])), false],
                '4' => [Keywords::read(Doc::of(['words' => ['level']])), true],
            ],
        ))->to($text);

        self::assertSame([$meaning, $answer], [$heard->meaning->value, $heard->answer]);
    }

    /** @return iterable<string, array{0: string, 1: string, 2?: int|null, 3?: bool}> */
    public static function meanings(): iterable
    {
        yield 'an opt-out word comes before everything' => ['Stop.', 'opt_out'];
        foreach (['S T O P', 'sto p', 'stóp', 'st0p', 'СТОП', 'ＳＴＯＰ', "st\u{200B}op", 'Stop stop stop', '*stop*', "s\nt\no\np"] as $spelt) {
            yield "however it is spelt: $spelt" => [$spelt, 'opt_out'];
        }
        foreach (['5 top', 'un stop', 'to stop', 'the end'] as $other) {
            yield "and not: $other" => [$other, 'talk'];
        }
        yield 'an opt-in word' => ['start', 'opt_in'];
        yield 'help' => ['HELP!', 'help'];
        yield 'an answer comes before a keyword' => ['YES', 'answer', 0];
        yield 'without a question it is the keyword' => ['YES', 'keyword', null, false];
        yield 'CANCEL is an answer while a question lists it' => ['cancel', 'answer', 1];
        yield 'and obeyed as the account has it otherwise' => ['cancel', 'opt_out', null, false];
        yield 'a sentence like an opt-out is doubted' => ['please stop texting me', 'likely_opt_out'];
        yield 'a keyword with a remark' => ['Kayak for two', 'keyword'];
        yield 'a rule that keeps still while a question is open' => ['level', 'talk'];
        yield 'and speaks when none is' => ['level', 'keyword', null, false];
        yield 'anything else is for a person' => ['see you then', 'talk'];
    }

    #[DataProvider('sentences')]
    public function testSentencesThatReadLikeAnOptOut(string $sentence, bool $reads): void
    {
        self::assertSame($reads, OptOutSentence::reads($sentence));
    }

    /** @return iterable<string, array{string, bool}> */
    public static function sentences(): iterable
    {
        foreach (
            [
                'Please stop texting me', 'Please stóp texting me', "plea\u{200B}se stop", 'stopp', 'stop it', 'take me off your list',
                'remove my number', 'don’t text me again', 'No more texts please', 'can you unsubscribe me',
                'I do not want any more messages', 'leave me alone', 'stop sending these', 'opt out', 'get me off this list',
                'never contact me again',
            ] as $sentence
        ) {
            yield $sentence => [$sentence, true];
        }
        foreach (
            [
                'Where do I stop for the bus?', 'We will not stop at the shop', 'Thanks, see you at ten', 'Can I bring a friend?',
                'don’t hesitate to call', 'is the text on the board right?', 'I cannot come, please move it', 'yes',
                'remove the old paddle from my order please',
            ] as $sentence
        ) {
            yield $sentence => [$sentence, false];
        }
    }

    public function testFoldingIsStable(): void
    {
        foreach (['  ÉTÉ ', '"Ja"', "don’t\u{200B}", '①②', 'ẞ'] as $text) {
            self::assertSame(Folded::of($text), Folded::of(Folded::of($text)));
        }
    }
}
