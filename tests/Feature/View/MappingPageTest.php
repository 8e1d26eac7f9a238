<?php

declare(strict_types=1);

namespace Tests\Feature\View;

use App\Pages\Mapping\CleaningSentence;
use App\Pages\Mapping\MappingPage;
use App\Pages\Mapping\Slot;
use Linnet\Core\Document\Doc;
use Linnet\Core\Intake\Mapping;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\TestCase;

final class MappingPageTest extends TestCase
{
    private const SAMPLE = [
        'korb' => 'K-1', 'zustand' => 'OFFEN', 'summe' => '62,00 GBP', 'beruehrt' => '01.07.2026 12:00:00',
        'posten' => [['titel' => 'Pump', 'stk' => 2], ['titel' => 'Tow line', 'stk' => 1]], 'kunde' => ['tel' => '07700900343'],
    ];

    public function testEachValueIsShownOnItsWay(): void
    {
        $page = $this->page(self::SAMPLE);
        $slots = [];
        foreach (array_merge(...array_values($page->groups)) as $slot) {
            $slots[$slot->target] = $slot;
        }

        self::assertSame(
            ['K-1', 'Pump, Tow line', 'open', '3', '£62', 'Wed 1 Jul 2026, 11:00', '+447700900343'],
            array_map(fn (string $target): string => $slots[$target]->shows, [
                'external_id', 'fields.what', 'fields.state', 'fields.pieces', 'fields.value', 'fields.touched_at', 'person.number',
            ]),
        );
        self::assertSame(
            [['says' => 'a date written like 31/12/2026 18:30, by the clock of Europe/Berlin', 'result' => '2026-07-01T10:00:00Z']],
            $slots['fields.touched_at']->steps,
        );
        self::assertNull($page->notTaken);
        self::assertSame(['kunde.tel is not empty'], $page->tests());
        $goes = [];
        foreach ($page->leaves as $leaf) {
            $goes[(string) $leaf->path] = $page->goesTo($leaf);
        }
        self::assertSame(['State', 'Pieces', 'Number', ''], [$goes['zustand'], $goes['posten[].stk'], $goes['kunde.tel'], $goes['kunde']]);
    }

    public function testWhatDoesNotFitIsSaidAtItsFieldAndForTheWhole(): void
    {
        $page = $this->page(['zustand' => 'KAPUTT'] + self::SAMPLE);
        $state = array_values(
            array_filter(array_merge(...array_values($page->groups)), fn (Slot $slot): bool => $slot->target === 'fields.state'),
        )[0];

        self::assertSame(
            'At “zustand” stands “KAPUTT”, which the table does not name. It names: OFFEN, VERLASSEN, BEZAHLT.',
            $state->wrong,
        );
        self::assertSame($state->wrong, $page->notTaken);
        self::assertSame(
            'Left out: the basket has no telephone number yet.',
            $this->page(['kunde' => ['tel' => null]] + self::SAMPLE)->notTaken,
        );
        self::assertSame([[], null], [$this->page(null)->leaves, $this->page(null)->notTaken]);
    }

    /** @param  array<string, mixed>  $step */
    #[DataProvider('steps')]
    public function testAStepIsSaidInWords(array $step, string $says): void
    {
        self::assertSame($says, CleaningSentence::of($step));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function steps(): iterable
    {
        yield 'words for nothing' => [['do' => 'empty_words', 'words' => ['null', '-']], 'nothing, where it says “null” or “-”'];
        yield 'a table' => [
            ['do' => 'map', 'values' => ['A' => 'open', 'B' => ''], 'otherwise' => 'refuse'],
            'by a table: A → open, B → nothing; anything else is refused',
        ];
        yield 'another country' => [['do' => 'phone', 'country' => 'IE'], 'a telephone number, of IE if it does not say'];
        yield 'found' => [['do' => 'find', 'what' => 'email'], 'the first email address in it'];
        yield 'since 1970' => [['do' => 'unix', 'unit' => 'milliseconds'], 'milliseconds since 1970'];
        yield 'pence' => [
            ['do' => 'number', 'decimal' => '.', 'divide' => 100],
            'a number with a point before the decimals, divided by 100',
        ];
        yield 'cut at a space' => [['do' => 'cut', 'mark' => ' ', 'keep' => 'before'], 'what stands before the first space'];
        yield 'letters' => [['do' => 'letters', 'as' => 'lower'], 'in small letters'];
    }

    private function page(mixed $sample): MappingPage
    {
        return new MappingPage(Mapping::read(Doc::fromJson((string) file_get_contents(base_path('demo/sources/shop.json')))), $sample, '/');
    }
}
