<?php

declare(strict_types=1);

namespace Tests\Core\Rehearsal;

use Linnet\Core\Record\Receiver;
use Linnet\Core\Rehearsal\OneRecord;
use Linnet\Core\Rehearsal\Rehearsed;
use Linnet\Core\Rehearsal\RehearsedText;
use Linnet\Core\Rule\Rule;
use PHPUnit\Framework\TestCase;
use Tests\Support\Rules;
use Tests\Support\Situations;

final class OneRecordTest extends TestCase
{
    public function testEveryTextStandsAtItsMomentWithItsWordsPartsAndPrice(): void
    {
        $rule = Rules::whenCallIsMissed()->wait(2, 'minutes')->text('Hello {{ first_name }}')->wait(1, 'days')->goOnOnlyIfNotReplied()->text('Still here')->build();
        $rehearsed = self::rehearse($rule, Situations::receiver());

        self::assertSame([
            ['03-02 10:02', '03-02 10:02', 'Osier Quay Boathouse: Hello Ana Reply STOP to hear no more.', 1, 32_000],
            ['03-03 10:02', '03-03 10:02', 'Still here', 1, 32_000],
        ], self::texts($rehearsed));
    }

    public function testAHoldMovesWhatFollows(): void
    {
        $rule = Rules::whenCallIsMissed()->waitUntil('09:00')->text('Good morning')->wait(1, 'hours')->text('And again')->build();
        $rehearsed = self::rehearse($rule, Situations::receiver(['America/Toronto']), '2026-03-02T06:50:00Z');

        self::assertSame([['03-02 09:00', '03-02 13:00'], ['03-02 14:00', '03-02 14:00']], array_map(fn (array $t): array => [$t[0], $t[1]], self::texts($rehearsed)));
        self::assertSame('gate.outside_hours', $rehearsed->texts[0]->obstacle()?->code);
    }

    public function testAMissingValueSetsTheTextAsideAndTheRunWaitsThere(): void
    {
        $rehearsed = self::rehearse(Rules::whenCallIsMissed()->text('Hello {{ last_name }}')->build(), Situations::receiver());

        self::assertSame('template.missing', $rehearsed->texts[0]->setAside?->code);
        self::assertNull($rehearsed->texts[0]->leavesAt);
    }

    private static function rehearse(Rule $rule, Receiver $to, string $now = '2026-03-02T10:00:00Z'): Rehearsed
    {
        return (new OneRecord($rule, $to, Situations::business(), Situations::policy(), fn (): string => 'front desk', fn (): bool => false))
            ->rehearse(Situations::at($now, ['first_name' => 'Ana']));
    }

    /** @return list<array{string, string|null, string|null, int|null, int|null}> */
    private static function texts(Rehearsed $rehearsed): array
    {
        return array_map(fn (RehearsedText $t): array => [
            $t->wantedAt->format('m-d H:i'), $t->leavesAt?->format('m-d H:i'), $t->composed?->body, $t->composed?->length->parts, $t->composed?->price,
        ], $rehearsed->texts);
    }
}
