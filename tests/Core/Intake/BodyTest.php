<?php

declare(strict_types=1);

namespace Tests\Core\Intake;

use Linnet\Core\Intake\Body;
use Linnet\Core\Intake\Refused;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class BodyTest extends TestCase
{
    private const EVENT = [
        'specversion' => '1.0', 'type' => 'quay.lesson.booked', 'source' => '/booking-page', 'id' => 'L1-1', 'subject' => 'L1',
        'data' => ['rev' => 1],
    ];

    public function testACloudEventIsTheSameTreeInEitherMode(): void
    {
        $structured = Body::open((string) json_encode(self::EVENT), ['content-type' => 'application/cloudevents+json; charset=utf-8']);
        $attributes = array_filter(self::EVENT, is_string(...));
        $binary = Body::open('{"rev":1}', ['content-type' => 'application/json'] + array_combine(
            array_map(fn (string $name): string => "ce-$name", array_keys($attributes)), array_values($attributes),
        ));

        self::assertEquals($structured->tree, $binary->tree);
        self::assertSame(['/booking-page#L1-1', '/booking-page#L1-1'], [$structured->messageId, $binary->messageId]);
    }

    public function testAPayloadInBase64IsOpened(): void
    {
        $opened = Body::open((string) json_encode(['data' => null, 'data_base64' => base64_encode('{"rev":2}')] + self::EVENT), [
            'content-type' => 'application/cloudevents+json',
        ]);

        self::assertSame(['rev' => 2], is_array($opened->tree) ? $opened->tree['data'] : null);
    }

    public function testFormsNestAndOtherEncodingsAreRead(): void
    {
        self::assertSame(
            ['who' => ['name' => 'Noor', 'tels' => ['1', '2']], 'a_b' => 'x y'],
            Body::open('who[name]=Noor&who[tels][]=1&who[tels][]=2&a.b=x+y', ['content-type' => 'application/x-www-form-urlencoded'])->tree,
        );
        self::assertSame(
            ['a' => 'Sæther'],
            Body::open((string) mb_convert_encoding('{"a":"Sæther"}', 'ISO-8859-1', 'UTF-8'), [
                'content-type' => 'application/json; charset=ISO-8859-1',
            ])->tree,
        );
        self::assertSame(['a' => 'ø'], Body::open("\xFF\xFE".mb_convert_encoding('{"a":"ø"}', 'UTF-16LE', 'UTF-8'), [])->tree);
        self::assertSame(['a' => '123456789012345678901'], Body::open('{"a":123456789012345678901}', [])->tree);
        self::assertSame('msg_1', Body::open('{"a":1}', ['webhook-id' => ' msg_1 '])->messageId);
    }

    /** @param  array<string, string>  $headers */
    #[DataProvider('unreadable')]
    public function testSaysWhyABodyCannotBeOpened(string $body, array $headers, string $code): void
    {
        $this->expectExceptionObject(Refused::because($code, []));
        Body::open($body, $headers);
    }

    /** @return iterable<string, array{string, array<string, string>, string}> */
    public static function unreadable(): iterable
    {
        yield 'nothing' => ['', [], 'empty'];
        yield 'cut off' => ['{"a":', ['content-type' => 'application/json'], 'not_json'];
        yield 'too deep' => [str_repeat('[', 60).str_repeat(']', 60), [], 'too_deep'];
        yield 'XML' => ['<a/>', ['content-type' => 'text/xml'], 'content_type'];
        yield 'several at once' => ['[]', ['content-type' => 'application/cloudevents-batch+json'], 'batch'];
        yield 'bytes that are no characters' => ["{\"a\":\"\xC3\x28\"}", ['content-type' => 'application/json'], 'body_not_utf8'];
        yield 'the same in a form' => ['a=%C3%28', ['content-type' => 'application/x-www-form-urlencoded'], 'body_not_utf8'];
        yield 'an encoding nobody knows' => ['{}', ['content-type' => 'application/json; charset=klingon'], 'charset'];
        yield 'a form with too much in it' => [
            str_repeat('a=1&', 1000),
            ['content-type' => 'application/x-www-form-urlencoded'],
            'too_many_values',
        ];
        yield 'a payload that is no base64' => [(string) json_encode(['data_base64' => '###'] + self::EVENT), [], 'not_json'];
    }
}
