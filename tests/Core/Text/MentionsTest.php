<?php

declare(strict_types=1);

namespace Tests\Core\Text;

use Linnet\Core\Text\Words\Mentions;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class MentionsTest extends TestCase
{
    private const NAMES = [1 => 'Mira Okafor', 2 => 'Tom Reyes', 3 => 'Tom Lindqvist', 4 => 'Åsa', 5 => 'Ann-Marie Dow', 6 => 'Ann Dow'];

    /** @param  list<int>  $meant */
    #[DataProvider('notes')]
    public function testWhoIsMeant(string $note, array $meant): void
    {
        self::assertSame($meant, Mentions::in($note, self::NAMES));
    }

    /** @return iterable<string, array{string, list<int>}> */
    public static function notes(): iterable
    {
        yield 'nobody' => ['Mira knows', []];
        yield 'a first name that one has' => ['@mira, can you ring her?', [1]];
        yield 'a first name that two have says nobody' => ['@Tom look', []];
        yield 'the whole name tells them apart' => ['ask @Tom Reyes.', [2]];
        yield 'several, each once' => ['@Tom Lindqvist and @Mira and @MIRA OKAFOR', [1, 3]];
        yield 'letters beyond ASCII, whatever their case' => ['hej @åsa!', [4]];
        yield 'a longer name is no shorter one' => ['@Ann-Marie Dow has it', [5]];
        yield 'an address is no mention' => ['write to desk@mira.example or a.@mira', []];
        yield 'a word that only begins so' => ['@Miranda', []];
        yield 'at the end and within brackets' => ['(cc @Åsa)', [4]];
    }
}
