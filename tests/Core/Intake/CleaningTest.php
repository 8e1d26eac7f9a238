<?php

declare(strict_types=1);

namespace Tests\Core\Intake;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Intake\FieldNormalizer;
use Linnet\Core\Intake\Followed;
use Linnet\Core\Intake\Mapping;
use Linnet\Core\Intake\Outline;
use Linnet\Core\Intake\Path;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Intake\Suggest;
use Linnet\Core\Intake\Taken;
use Linnet\Core\Record\Field;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\Place;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class CleaningTest extends TestCase
{
    private const TREE = [
        'name' => 'HADDAD, Noor', 'tel' => 'Ring +44 7700 900 343 after six', 'none' => null, 'flag' => true, 'empty' => [],
        'lines' => [['title' => 'Paddle', 'qty' => 2, 'price' => '84,50'], ['title' => 'Pump', 'qty' => 1], ['qty' => null]],
        'a.b' => ['c[d]' => 'deep'], 'tags' => ['red', 'blue'],
    ];

    #[DataProvider('paths')]
    public function testAPathLeadsToItsValue(string $path, mixed $expected): void
    {
        self::assertSame($expected, Path::parse($path)?->find(self::TREE));
    }

    /** @return iterable<string, array{string, mixed}> */
    public static function paths(): iterable
    {
        yield 'a name' => ['name', 'HADDAD, Noor'];
        yield 'each of a list' => ['lines[].title', ['Paddle', 'Pump']];
        yield 'one of a list' => ['lines[1].title', 'Pump'];
        yield 'past the end' => ['lines[9].title', null];
        yield 'a list itself' => ['tags', ['red', 'blue']];
        yield 'names with marks in them' => ['a\.b.c\[d\]', 'deep'];
        yield 'through a value' => ['name.first', null];
        yield 'each of what is no list' => ['name[]', []];
    }

    public function testAPathWritesItselfAndReadsItselfBack(): void
    {
        foreach (Outline::of(self::TREE) as $leaf) {
            self::assertEquals($leaf->path->steps, Path::parse((string) $leaf->path)?->steps);
        }
        foreach (['', '.', 'a..b', '[', 'a[x]', 'a.', str_repeat('a.', 40).'a'] as $wrong) {
            self::assertNull(Path::parse($wrong), $wrong);
        }
    }

    public function testAnOutlineFoldsListsAndShowsWhatTheyHold(): void
    {
        $shown = [];
        foreach (Outline::of(self::TREE) as $leaf) {
            $shown[(string) $leaf->path] = [$leaf->shows, $leaf->depth, $leaf->isGroup];
        }

        self::assertSame(['3 items', 0, true], $shown['lines[]']);
        self::assertSame(['Paddle, Pump', 1, false], $shown['lines[].title']);
        self::assertSame(['null', 0, false], $shown['none']);
        self::assertSame(['red, blue', 0, false], $shown['tags[]']);
        self::assertSame(['deep', 1, false], $shown['a\.b.c\[d\]']);
    }

    /** @param  array<string, mixed>  $taken */
    #[DataProvider('ways')]
    public function testAValueIsCleanedStepByStep(array $taken, Field $field, mixed $expected, string $refused = ''): void
    {
        $followed = self::follow($taken, $field);

        self::assertSame([$expected, $refused], [$followed->value, $followed->refused->code ?? '']);
    }

    /** @return iterable<string, array{0: array<string, mixed>, 1: Field, 2: mixed, 3?: string}> */
    public static function ways(): iterable
    {
        $text = new Field('f', 'F', FieldKind::Text);
        $number = new Field('f', 'F', FieldKind::Number);
        $choice = new Field('f', 'F', FieldKind::Choice, ['open', 'left']);
        yield 'cut at a mark, then even letters' => [
            ['at' => 'name', 'clean' => [['do' => 'cut', 'mark' => ', ', 'keep' => 'before'], ['do' => 'letters', 'as' => 'title']]],
            $text,
            'Haddad',
        ];
        yield 'cut where there is no mark' => [
            ['at' => 'name', 'clean' => [['do' => 'cut', 'mark' => ';', 'keep' => 'after']]],
            $text,
            'HADDAD, Noor',
        ];
        yield 'a number found in words' => [
            ['at' => 'tel', 'clean' => [['do' => 'find', 'what' => 'phone']]],
            new Field('f', 'F', FieldKind::Phone),
            '+447700900343',
        ];
        yield 'nothing found' => [['at' => 'name', 'clean' => [['do' => 'find', 'what' => 'email']]], $text, null];
        yield 'added up' => [['at' => 'lines[].qty', 'fold' => 'sum'], $number, 3];
        yield 'counted' => [['at' => 'lines', 'fold' => 'count'], $number, 3];
        yield 'joined' => [['at' => 'lines[].title', 'fold' => 'joined'], $text, 'Paddle, Pump'];
        yield 'the last' => [['at' => 'tags[]', 'fold' => 'last'], $text, 'blue'];
        yield 'a sum of what is no number' => [['at' => 'lines[].title', 'fold' => 'sum'], $number, null, 'intake.not_a_number'];
        yield 'a decimal comma' => [
            ['at' => 'lines[0].price', 'clean' => [['do' => 'number', 'decimal' => ',']]],
            new Field('f', 'F', FieldKind::Money),
            84.5,
        ];
        yield 'pence to pounds' => [['always' => '1649', 'clean' => null], $number, 1649];
        yield 'a table of values' => [['at' => 'tags[0]', 'clean' => [['do' => 'map', 'values' => ['RED' => 'open']]]], $choice, 'open'];
        yield 'what the table does not name' => [
            ['at' => 'tags[1]', 'clean' => [['do' => 'map', 'values' => ['RED' => 'open'], 'otherwise' => 'refuse']]], $choice, null,
            'intake.not_in_table',
        ];
        yield 'what the table lets go' => [
            ['at' => 'tags[1]', 'clean' => [['do' => 'map', 'values' => ['RED' => 'open'], 'otherwise' => 'nothing']]],
            $choice,
            null,
        ];
        yield 'a choice that is none' => [['at' => 'tags[0]'], $choice, null, 'intake.not_a_choice'];
        yield 'null is nothing' => [['at' => 'none', 'clean' => [['do' => 'unix', 'unit' => 'seconds']]], $text, null];
        yield 'an object for a value' => [['at' => 'a\.b'], $text, null, 'intake.not_a_value'];
        yield 'yes' => [['at' => 'flag'], new Field('f', 'F', FieldKind::YesNo), true];
        yield 'words that mean nothing' => [['at' => 'tags[0]', 'clean' => [['do' => 'empty_words', 'words' => ['RED']]]], $text, null];
    }

    public function testEachStepGivesWhatItMade(): void
    {
        $followed = self::follow(
            ['at' => 'name', 'clean' => [['do' => 'cut', 'mark' => ',', 'keep' => 'after'], ['do' => 'letters', 'as' => 'upper']]],
            new Field('f', 'F', FieldKind::Text),
        );

        self::assertSame(['HADDAD, Noor', ['Noor', 'NOOR'], 'NOOR'], [$followed->raw, $followed->after, $followed->value]);
    }

    #[DataProvider('fits')]
    public function testAValueFitsItsFieldOrSaysWhyNot(FieldKind $kind, mixed $value, mixed $expected): void
    {
        try {
            $fits = FieldNormalizer::into(
                new Field('f', 'F', $kind, ['open', 'left'], 'basket'), $value, new Place('GB', 'Europe/London'), 'f',
            );
        } catch (Refused $e) {
            $fits = $e->reason()->code;
        }

        self::assertSame($expected, $fits);
    }

    /** @return iterable<string, array{FieldKind, mixed, mixed}> */
    public static function fits(): iterable
    {
        yield 'text is trimmed' => [FieldKind::Text, '  a  ', 'a'];
        yield 'nothing' => [FieldKind::Text, '   ', null];
        yield 'no characters' => [FieldKind::Text, "\xC3\x28", 'intake.not_utf8'];
        yield 'too long' => [FieldKind::Text, str_repeat('x', 2001), 'intake.too_long'];
        yield 'long text takes it' => [FieldKind::LongText, str_repeat('x', 2001), str_repeat('x', 2001)];
        yield 'a whole number stays whole' => [FieldKind::Number, '7.0', 7];
        yield 'an infinite one' => [FieldKind::Number, INF, 'intake.not_a_number'];
        yield 'a day' => [FieldKind::Date, '2026-03-14', '2026-03-14'];
        yield 'the day of a moment, by our clock' => [FieldKind::Date, '2026-07-14T23:30:00Z', '2026-07-15'];
        yield 'a moment without an offset is ours' => [FieldKind::DateTime, '2026-07-14 10:00', '2026-07-14T09:00:00Z'];
        yield 'a day where a moment is kept' => [FieldKind::DateTime, '2026-07-14', 'intake.no_time'];
        yield 'a choice in other letters' => [FieldKind::Choice, 'OPEN', 'open'];
        yield 'yes in other words' => [FieldKind::YesNo, 'Y', true];
        yield 'neither' => [FieldKind::YesNo, 'perhaps', 'intake.not_yes_no'];
        yield 'a number for texts' => [FieldKind::Phone, '(0)7700 900 343', '+447700900343'];
        yield 'a number a spreadsheet rounded' => [FieldKind::Phone, '7.70091E+09', 'intake.rounded_phone'];
        yield 'an email' => [FieldKind::Email, 'MAILTO:Noor@Example.ORG', 'noor@example.org'];
        yield 'no email' => [FieldKind::Email, 'noor at example', 'intake.not_an_email'];
        yield 'a link without its scheme' => [FieldKind::Link, 'osierquay.example/x', 'https://osierquay.example/x'];
        yield 'a link that would run' => [FieldKind::Link, 'javascript:alert(1)', 'intake.not_a_link'];
        yield 'a reference stays words' => [FieldKind::Staff, 'Tom Reyes', 'Tom Reyes'];
        yield 'an object' => [FieldKind::Text, ['a' => 1], 'intake.not_a_value'];
    }

    #[DataProvider('samples')]
    public function testGuessesTheStepASampleWillNeed(FieldKind $kind, mixed $sample, string $expected): void
    {
        $steps = Suggest::steps(new Field('f', 'F', $kind), $sample, new Place('GB', 'UTC'));

        self::assertSame($expected, implode(' ', array_map(strval(...), array_values($steps[0] ?? []))));
    }

    /** @return iterable<string, array{FieldKind, mixed, string}> */
    public static function samples(): iterable
    {
        yield 'seconds' => [FieldKind::DateTime, 1772446200, 'unix seconds'];
        yield 'milliseconds' => [FieldKind::DateTime, '1772446200123', 'unix milliseconds'];
        yield 'ISO needs none' => [FieldKind::DateTime, '2026-03-02T10:00:00Z', ''];
        yield 'day first is likelier' => [FieldKind::Date, '03/04/2026', 'date dmy'];
        yield 'only month first can be' => [FieldKind::Date, '03/14/2026', 'date mdy'];
        yield 'a comma before pence' => [FieldKind::Money, '12,50', 'number ,'];
        yield 'a point needs none' => [FieldKind::Money, '12.50', ''];
    }

    public function testAMappingWritesItselfAndReadsItselfBack(): void
    {
        foreach ((array) glob(dirname(__DIR__, 3).'/demo/sources/*.json') as $file) {
            $mapping = Mapping::read(Doc::fromJson((string) file_get_contents((string) $file)));
            self::assertEquals($mapping, Mapping::read(Doc::of($mapping->toDocument())), (string) $file);
        }
    }

    /** @param  array<string, mixed>  $more */
    #[DataProvider('wrongMappings')]
    public function testAMappingThatCannotBeSaysWhereAndWhy(array $more, string $path, string $code): void
    {
        try {
            Mapping::read(Doc::of($more + ['type' => 'basket', 'country' => 'GB', 'zone' => 'UTC', 'fields' => []]));
            self::fail('It was read.');
        } catch (Unreadable $e) {
            self::assertSame([$path, "document.$code"], [$e->problems[0]->path, $e->problems[0]->reason->code]);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function wrongMappings(): iterable
    {
        $field = fn (mixed ...$step): array => ['fields' => ['f' => ['at' => 'a', 'clean' => [$step]]]];
        yield 'an unknown key' => [['colour' => 1], '$.colour', 'unknown_key'];
        yield 'a zone that is none' => [['zone' => 'Mars'], '$.zone', 'zone_expected'];
        yield 'a path that leads nowhere' => [['fields' => ['f' => ['at' => 'a..b']]], '$.fields.f.at', 'path_expected'];
        yield 'a step that is none' => [$field(do: 'bleach'), '$.fields.f.clean[0].do', 'not_one_of'];
        yield 'an order that is none' => [$field(do: 'date', order: 'yes'), '$.fields.f.clean[0].order', 'not_one_of'];
        yield 'a zone of a date that is none' => [
            $field(do: 'date', order: 'dmy', zone: 'Here'),
            '$.fields.f.clean[0].zone',
            'zone_expected',
        ];
        yield 'a table with nothing in it' => [$field(do: 'map', values: []), '$.fields.f.clean[0].values', 'count_expected'];
        yield 'a mark of nothing' => [$field(do: 'cut', mark: '', keep: 'before'), '$.fields.f.clean[0].mark', 'text_expected'];
        yield 'a country that is none' => [$field(do: 'phone', country: 'G1'), '$.fields.f.clean[0].country', 'country_expected'];
        yield 'a division by nothing' => [$field(do: 'number', decimal: '.', divide: 0), '$.fields.f.clean[0].divide', 'integer_expected'];
        yield 'a test without its value' => [['only_if' => [['at' => 'a', 'test' => 'is']]], '$.only_if[0].value', 'value_expected'];
        yield 'a test of one of nothing' => [
            ['only_if' => [['at' => 'a', 'test' => 'one_of', 'value' => 'x']]],
            '$.only_if[0].value',
            'list_expected',
        ];
    }

    /** @param  array<string, mixed>  $taken */
    private static function follow(array $taken, Field $field): Followed
    {
        return Taken::read(Doc::of(array_filter($taken, fn (mixed $part): bool => $part !== null)))->follow(
            self::TREE,
            $field,
            new Place('GB', 'Europe/London'),
        );
    }
}
