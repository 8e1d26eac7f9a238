<?php

declare(strict_types=1);

namespace Tests\Demo;

use Demo\Later;
use PHPUnit\Framework\TestCase;

final class LaterTest extends TestCase
{
    public function testActsComeInTheOrderOfTimeThenOfThoughtAndWhatComesOfThemToo(): void
    {
        $later = new Later;
        $done = [];
        $act = function (string $name) use (&$done): \Closure {
            return function () use (&$done, $name): void {
                $done[] = $name;
            };
        };
        $later->at(20, $act('third'));
        $later->at(10, function () use ($later, $act): void {
            $act('first')();
            $later->at(15, $act('of the first'));
            $later->at(31, $act('too late'));
        });
        $later->at(20, $act('fourth'));

        self::assertSame(10, $later->due());
        $later->actUntil(30);

        self::assertSame(['first', 'of the first', 'third', 'fourth'], $done);
        self::assertSame(31, $later->due());
        $later->actUntil(31);
        self::assertNull($later->due());
    }
}
