<?php

declare(strict_types=1);

namespace Tests\Core\Intake;

use Linnet\Core\Document\Doc;
use Linnet\Core\Intake\Cleaned;
use Linnet\Core\Intake\LeftOut;
use Linnet\Core\Intake\Mapping;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Intake\Targets;
use Linnet\Core\Record\Field;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\RecordType;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class MappingTest extends TestCase
{
    private const DELIVERY = [
        'ref' => 'OQ-1', 'cli' => '(0)7700 900 123', 'ddi' => '0044-7700-900100', 't0' => 1772446200123, 'ring' => ['ms' => 14250],
        'why' => 'rang out',
    ];

    public function testCleansWhatAnAwkwardSystemSends(): void
    {
        $cleaned = self::clean(self::DELIVERY);

        self::assertInstanceOf(Cleaned::class, $cleaned);
        self::assertSame(['OQ-1', '+447700900123', null], [$cleaned->externalId, $cleaned->person->number?->e164, $cleaned->note]);
        self::assertSame(
            ['outcome' => 'missed', 'line' => '+447700900100', 'started_at' => '2026-03-02T10:10:00Z', 'rang_for' => 14250],
            $cleaned->fields,
        );
    }

    public function testNullWhereSomebodyAnsweredIsLeftOut(): void
    {
        $left = self::clean(['why' => null] + self::DELIVERY);

        self::assertInstanceOf(LeftOut::class, $left);
        self::assertSame('intake.left_out_said', $left->reason->code);
    }

    public function testAWithheldNumberKeepsTheRecordAndSaysSo(): void
    {
        $cleaned = self::clean(['cli' => 'WITHHELD'] + self::DELIVERY);

        self::assertInstanceOf(Cleaned::class, $cleaned);
        self::assertNull($cleaned->person->number);
        self::assertSame('number.withheld', $cleaned->note?->code);
    }

    #[DataProvider('unreadable')]
    public function testSaysWhyADeliveryCannotBeUsed(mixed $delivery, string $code): void
    {
        try {
            self::clean($delivery);
            self::fail('It was taken.');
        } catch (Refused $e) {
            self::assertSame("intake.$code", $e->reason()->code);
        }
    }

    /** @return iterable<string, array{mixed, string}> */
    public static function unreadable(): iterable
    {
        yield 'a word' => ['hello', 'not_an_object'];
        yield 'a list' => [[self::DELIVERY], 'not_an_object'];
        yield 'no name of its own' => [['ref' => ' '] + self::DELIVERY, 'no_external_id'];
        yield 'an object where a value should be' => [['ref' => ['a' => 1]] + self::DELIVERY, 'not_a_value'];
        yield 'a list for a number' => [['cli' => ['a' => '07700']] + self::DELIVERY, 'not_a_value'];
        yield 'no line' => [['ddi' => 'desk'] + self::DELIVERY, 'not_a_phone'];
        yield 'no time' => [['t0' => 'yesterday'] + self::DELIVERY, 'not_unix'];
        yield 'a time from another age' => [['t0' => 9e18] + self::DELIVERY, 'not_unix'];
        yield 'no number of seconds' => [['ring' => ['ms' => 'long']] + self::DELIVERY, 'not_a_number'];
    }

    private static function clean(mixed $delivery): Cleaned|LeftOut
    {
        $type = new RecordType('call', 'Call', [
            'outcome' => new Field('outcome', 'Outcome', FieldKind::Choice, ['missed', 'answered']),
            'line' => new Field('line', 'Line', FieldKind::Line), 'started_at' => new Field('started_at', 'Started', FieldKind::DateTime),
            'rang_for' => new Field('rang_for', 'Rang for', FieldKind::Number),
        ]);

        return Mapping::read(Doc::of([
            'type' => 'call', 'country' => 'GB', 'zone' => 'Europe/London',
            'only_if' => [['at' => 'why', 'test' => 'not_null', 'otherwise' => 'somebody answered.']],
            'external_id' => ['at' => 'ref'], 'person' => ['number' => ['at' => 'cli']],
            'fields' => [
                'outcome' => ['always' => 'missed'], 'line' => ['at' => 'ddi'],
                'started_at' => ['at' => 't0', 'clean' => [['do' => 'unix', 'unit' => 'milliseconds']]], 'rang_for' => ['at' => 'ring.ms'],
            ],
        ]))->clean($delivery, Targets::of($type, new RecordType('person', 'Person', [])));
    }
}
