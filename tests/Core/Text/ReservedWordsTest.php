<?php

declare(strict_types=1);

namespace Tests\Core\Text;

use Linnet\Core\Document\Doc;
use Linnet\Core\Text\FirstTextAdditions;
use Linnet\Core\Text\Words\Meaning;
use Linnet\Core\Text\Words\ReservedWords;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ReservedWordsTest extends TestCase
{
    #[DataProvider('textsIn')]
    public function testTakesTheWordHoweverItIsTyped(string $text, Meaning $meaning): void
    {
        $words = ReservedWords::read(Doc::of(['opt_out' => ['STOP', 'UNSUBSCRIBE'], 'opt_in' => ['START'], 'help' => ['HELP']]));

        self::assertSame($meaning, $words->meaning($text));
    }

    /** @return iterable<string, array{string, Meaning}> */
    public static function textsIn(): iterable
    {
        yield 'as asked' => ['STOP', Meaning::OptOut];
        yield 'small, with a full stop' => ['stop.', Meaning::OptOut];
        yield 'with spaces and a face' => ["  Stop \u{1F621}\n", Meaning::OptOut];
        yield 'full-width letters' => ['ＳＴＯＰ', Meaning::OptOut];
        yield 'in quotes' => ['“stop”', Meaning::OptOut];
        yield 'another word for it' => ['Unsubscribe!', Meaning::OptOut];
        yield 'inside a sentence it is talk' => ['Where does the bus stop?', Meaning::Talk];
        yield 'back again' => ['start', Meaning::OptIn];
        yield 'help' => ['Help?', Meaning::Help];
        yield 'nothing' => ['', Meaning::Talk];
    }

    #[DataProvider('firstTexts')]
    public function testTheFirstTextSaysWhoAndHowToStop(string $body, string $expected): void
    {
        self::assertSame($expected, FirstTextAdditions::around($body, 'Osier Quay Boathouse', 'Reply STOP to hear no more.'));
    }

    /** @return iterable<string, array{string, string}> */
    public static function firstTexts(): iterable
    {
        yield 'both added' => ['Hello.', 'Osier Quay Boathouse: Hello. Reply STOP to hear no more.'];
        yield 'the name is there' => ['Osier Quay Boathouse here.', 'Osier Quay Boathouse here. Reply STOP to hear no more.'];
        yield 'the way out is there' => ['Text STOP to end.', 'Osier Quay Boathouse: Text STOP to end.'];
    }
}
