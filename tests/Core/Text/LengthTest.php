<?php

declare(strict_types=1);

namespace Tests\Core\Text;

use Linnet\Core\Text\Bounds;
use Linnet\Core\Text\Length;
use Linnet\Core\Text\PlainTwin;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class LengthTest extends TestCase
{
    /** TS 23.038 section 6.2.1, in the order of the table. */
    private const DEFAULT_ALPHABET = "@£\$¥èéùìòÇ\nØø\rÅåΔ_ΦΓΛΩΠΨΣΘΞÆæßÉ !\"#¤%&'()*+,-./0123456789:;<=>?¡ABCDEFGHIJKLMNOPQRSTUVWXYZÄÖÑÜ§¿abcdefghijklmnopqrstuvwxyzäöñüà";

    private const EXTENSION_TABLE = "\f^{}\\[~]|€";

    public function testEveryCharacterOfTheDefaultAlphabetTakesOneSeptet(): void
    {
        $length = Length::of(self::DEFAULT_ALPHABET);

        self::assertSame(['GSM-7', 127, 1, 33], [$length->encoding->value, $length->units, $length->parts, $length->left]);
    }

    public function testEveryCharacterOfTheExtensionTableTakesTwo(): void
    {
        foreach (mb_str_split(self::EXTENSION_TABLE, 1, 'UTF-8') as $character) {
            $length = Length::of($character);
            self::assertSame(['GSM-7', 2, []], [$length->encoding->value, $length->units, $length->culprits], $character);
        }
    }

    /** @param  list<string>  $culprits */
    #[DataProvider('texts')]
    public function testCountsUnitsPartsAndWhatIsLeft(
        string $text,
        string $encoding,
        int $units,
        int $parts,
        int $left,
        array $culprits = [],
    ): void {
        $length = Length::of($text);

        self::assertSame(
            [$encoding, $units, $parts, $left, $culprits],
            [$length->encoding->value, $length->units, $length->parts, $length->left, $length->culprits],
        );
        self::assertSame($text, implode('', Length::split($text)));
        self::assertCount($parts, Length::split($text));
    }

    /** @return iterable<string, array<mixed>> */
    public static function texts(): iterable
    {
        $a = fn (int $n): string => str_repeat('a', $n);
        $u = fn (int $n): string => str_repeat('ї', $n);
        yield 'nothing' => ['', 'GSM-7', 0, 0, 160];
        yield 'one full part' => [$a(160), 'GSM-7', 160, 1, 0];
        yield 'one more makes two' => [$a(161), 'GSM-7', 161, 2, 145];
        yield 'two full parts' => [$a(306), 'GSM-7', 306, 2, 0];
        yield 'one more makes three' => [$a(307), 'GSM-7', 307, 3, 152];
        yield 'an extension pair ends the only part' => [$a(158).'€', 'GSM-7', 160, 1, 0];
        yield 'a pair at 152 and 153 fits its part' => [$a(151).'€'.$a(20), 'GSM-7', 173, 2, 133];
        yield 'a pair at 153 and 154 moves whole to the next' => [$a(152).'€'.$a(20), 'GSM-7', 174, 2, 131];
        yield 'a pair just after the split' => [$a(153).'€'.$a(20), 'GSM-7', 175, 2, 131];
        yield 'the place lost before a pair can cost a part' => [$a(152).'€'.$a(151).'b', 'GSM-7', 306, 3, 152];
        yield 'one UCS-2 part' => [$u(70), 'UCS-2', 70, 1, 0, ['ї']];
        yield 'one more makes two of 67' => [$u(71), 'UCS-2', 71, 2, 63, ['ї']];
        yield 'two full of 67' => [$u(134), 'UCS-2', 134, 2, 0, ['ї']];
        yield 'a surrogate pair at 66 and 67 fits' => [$u(65).'😀'.$u(10), 'UCS-2', 77, 2, 57, ['ї', '😀']];
        yield 'a surrogate pair at 67 and 68 moves whole' => [$u(66).'😀'.$u(10), 'UCS-2', 78, 2, 55, ['ї', '😀']];
        yield 'extension characters count one in UCS-2' => ['€’', 'UCS-2', 2, 1, 68, ['’']];
        yield 'culprits in order, each once' => ['“Hi” – ’tis “so”', 'UCS-2', 16, 1, 54, ['“', '”', '–', '’']];
        yield 'c with cedilla is small only in UCS-2' => ['ç', 'UCS-2', 1, 1, 69, ['ç']];
        yield 'a backtick is not in the alphabet' => ['`', 'UCS-2', 1, 1, 69, ['`']];
    }

    public function testNoSplitEverCutsAPairAndNoPartIsOverfull(): void
    {
        mt_srand(7);
        for ($i = 0; $i < 400; $i++) {
            $wide = mt_rand(0, 1) === 1;
            $text = '';
            for ($n = mt_rand(150, 500); $n > 0; $n--) {
                $text .= $wide ? ['ї', '😀', 'a', '€'][mt_rand(0, 3)] : ['a', 'b', '€', '['][mt_rand(0, 3)];
            }
            $parts = Length::split($text);
            self::assertSame($text, implode('', $parts));
            self::assertCount(Length::of($text)->parts, $parts);
            foreach ($parts as $part) {
                $units = $wide ? strlen(mb_convert_encoding($part, 'UTF-16BE', 'UTF-8')) / 2 : Length::of($part)->units;
                self::assertLessThanOrEqual($wide ? 67 : 153, $units);
            }
        }
    }

    public function testThePlainTwinNeedsNoUcs2(): void
    {
        self::assertSame([], Length::of(PlainTwin::of("“Hi” – it’s\u{00A0}so…"))->culprits);
        self::assertSame('"Hi" - it\'s so...', PlainTwin::of("“Hi” – it’s\u{00A0}so…"));
    }

    public function testBoundsOverManyAreCountedByCost(): void
    {
        $lengths = [
            [Length::of(str_repeat('a', 150)), 3], [Length::of(str_repeat('a', 10)), 1], [Length::of(str_repeat('ł', 71)), 2],
            [Length::of(str_repeat('a', 120)), 1],
        ];
        $bounds = Bounds::of($lengths, 4);

        self::assertNotNull($bounds);
        self::assertSame(
            [7, 10, 150, 71, 1, 2, 2, 4],
            [
                $bounds->people, $bounds->shortest, $bounds->median, $bounds->longest, $bounds->fewest, $bounds->over, $bounds->most,
                $bounds->lacking,
            ],
        );
        self::assertNull(Bounds::of([], 3));
    }
}
