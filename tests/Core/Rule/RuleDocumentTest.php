<?php

declare(strict_types=1);

namespace Tests\Core\Rule;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Problem;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Rule\Rule;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Rules;

final class RuleDocumentTest extends TestCase
{
    private const READERS_ALONE = [
        'document.which_record', 'document.example_twice', 'document.step_twice', 'document.wording_twice', 'document.not_before',
        'document.recurrence_expected', 'document.day_and_time_expected', 'document.day_expected', 'document.last_before_first',
        'document.not_reached_by', 'document.email_expected', 'document.word_expected', 'document.address_expected',
    ];

    #[DataProvider('files')]
    public function testAFileIsWrittenBackByteForByte(string $json): void
    {
        self::assertSame($json, Rule::fromJson($json)->toJson());
        self::assertTrue(self::schemaTakes(json_decode($json)));
    }

    /** @return iterable<string, array{string}> */
    public static function files(): iterable
    {
        foreach (glob(__DIR__.'/../../../demo/rules/*.json') ?: [] as $file) {
            yield basename($file) => [(string) file_get_contents($file)];
        }
        yield 'every kind of condition and step' => [self::everything()->build()->toJson()];
        yield 'with an example' => [
            Rule::read(
                Doc::of(
                    self::everything()->document() + [
                        'examples' => [
                            [
                                'name' => 'they pay early', 'at' => '2026-03-02T10:00:00Z', 'zone' => 'Europe/London',
                                'person' => ['first_name' => 'Robin'],
                                'record' => ['state' => 'booked', 'seats' => 2, 'paid' => false, 'note' => null],
                                'happens' => [
                                    ['step' => 's2', 'after' => ['amount' => 5, 'unit' => 'minutes'], 'text' => 'Yes'],
                                    ['after' => ['amount' => 1, 'unit' => 'days'], 'values' => ['state' => 'paid']],
                                ],
                                'expects' => [['step' => 's2', 'at' => '2026-03-02T10:02:00Z', 'begins' => 'Hello']],
                            ],
                        ],
                    ],
                ),
            )->toJson(),
        ];
    }

    /** @param  list<string>  $expected */
    #[DataProvider('mistakes')]
    public function testNamesThePlaceOfEveryMistake(string $find, string $replace, array $expected): void
    {
        $json = json_encode(self::everything()->document(), JSON_THROW_ON_ERROR);
        self::assertStringContainsString($find, $json);
        try {
            Rule::fromJson(str_replace($find, $replace, $json));
            self::fail('It was read.');
        } catch (Unreadable $e) {
            self::assertSame($expected, array_map(fn (Problem $p): string => "$p->path {$p->reason->code}", $e->problems));
        }
    }

    /** @return iterable<string, array{string, string, list<string>}> */
    public static function mistakes(): iterable
    {
        yield 'a key nobody knows' => ['"name":"A rule"', '"name":"A rule","colour":"red"', ['$.colour document.unknown_key']];
        yield 'another version' => ['"linnet_rule":1', '"linnet_rule":2', ['$.linnet_rule document.integer_expected']];
        yield 'no such trigger' => ['"on":"record_added"', '"on":"record_adde"', ['$.trigger.on document.not_one_of']];
        yield 'no such test, and no such unit' => ['"test":"is"', '"test":"iss"', ['$.conditions.all[0].test document.not_one_of']];
        yield 'a wait of no length' => ['"amount":2', '"amount":-2', ['$.steps[0].for.amount document.integer_expected']];
        yield 'a wait of two kinds' => [
            '"for":{"amount":2,"unit":"minutes"}',
            '"for":{"amount":2,"unit":"minutes"},"until":{"time":"09:00","clock":"ours"}',
            ['$.steps[0] document.for_or_until'],
        ];
        yield 'a time of no day' => ['"time":"09:00"', '"time":"24:00"', ['$.steps[2].until.time document.time_expected']];
        yield 'two steps by one name' => ['"id":"s2"', '"id":"s1"', ['$.steps[1].id document.step_twice']];
        yield 'a broken text' => ['Hello {{ first_name', 'Hello {{ 1st_name', ['$.steps[1].wordings[0].text template.not_a_field']];
        yield 'several at once' => [
            '"do":"wait"',
            '"do":"wate"',
            ['$.steps[0].do document.not_one_of', '$.steps[2].do document.not_one_of'],
        ];
        yield 'not JSON' => ['{"linnet_rule"', '{linnet_rule"', ['$ document.not_json']];
    }

    public function testTheSchemaAndTheReaderAgree(): void
    {
        mt_srand(5);
        $documents = [self::everything()->document()];
        foreach (self::files() as [$file]) {
            $documents[] = (array) json_decode($file, true, 64, JSON_THROW_ON_ERROR);
        }
        $refused = 0;
        for ($i = 0; $i < 1500; $i++) {
            $mutant = self::mutate($documents[$i % count($documents)]);
            $json = json_encode($mutant, JSON_THROW_ON_ERROR);
            $problems = [];
            try {
                $rule = Rule::fromJson($json);
                self::assertSame($rule->toJson(), Rule::fromJson($rule->toJson())->toJson());
            } catch (Unreadable $e) {
                $problems = $e->problems;
                $refused++;
            }
            // What JSON Schema cannot say, or says more loosely, is the reader's alone: names given twice, days that exist, the merge
            // language.
            $both = array_filter(
                $problems,
                fn (Problem $p): bool => ! in_array($p->reason->code, self::READERS_ALONE, true) &&
                    ! str_starts_with($p->reason->code, 'template.'),
            );
            if ($problems === [] || $both !== []) {
                self::assertSame($problems === [], self::schemaTakes(json_decode($json)), $json);
            }
        }
        self::assertGreaterThan(250, $refused);
    }

    private static function everything(): Rules
    {
        return Rules::whenCallIsMissed()
            ->onlyIf([
                'any' => [['field' => 'call.rang_for', 'test' => 'between', 'value' => [1, 2.5]], ['none' => [['hours' => 'closed']]]],
            ])
            ->onlyIf(['field' => 'call.started_at', 'test' => 'weekday', 'value' => ['mon', 'sun']])
            ->onlyIf(['field' => 'call.why', 'test' => 'filled'])
            ->wait(2, 'minutes')->text('Hello {{ first_name | or: "there" }}')->waitUntil('09:00')->goOnOnlyIfNotReplied()->end('done');
    }

    /**
     * @param  array<array-key, mixed>  $document
     * @return array<array-key, mixed>
     */
    private static function mutate(array $document): array
    {
        $key = array_rand($document);
        $values = [null, 0, -1, 1, 3, '', ' ', 'x', 'X y', true, [], ['a' => 1], ['mon'], 'is', 'minutes', '09:00', 1.5];
        $value = $document[$key];
        match (mt_rand(0, is_array($value) && $value !== [] ? 5 : 2)) {
            0 => $document[$key] = $values[mt_rand(0, count($values) - 1)],
            1 => array_is_list($document) ? array_splice($document, (int) $key, 1) : $document = array_diff_key($document, [$key => 1]),
            2 => array_is_list($document) ? $document[] = $value : $document['extra'] = $value,
            default => $document[$key] = self::mutate((array) $value),
        };

        return $document;
    }

    private static function schemaTakes(mixed $document): bool
    {
        static $schema = null, $validator = null;
        $schema ??= json_decode((string) file_get_contents(__DIR__.'/../../../docs/formats/rule-1.schema.json'));
        $validator ??= new Validator;

        return $validator->validate($document, $schema)->isValid();
    }
}
