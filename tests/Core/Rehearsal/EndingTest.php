<?php

declare(strict_types=1);

namespace Tests\Core\Rehearsal;

use Linnet\Core\Document\Doc;
use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\Run;
use Linnet\Core\Rehearsal\Rehearsal;
use Linnet\Core\Rehearsal\RehearsalResult;
use Linnet\Core\Rule\Rule;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Worlds;

/** How often a rule begins, what it waits for, and what ends it before its last step. */
final class EndingTest extends TestCase
{
    /**
     * Bo's booking is made, changed in a way that is none, moved, moved back, and another is made.
     *
     * @param  array<string, mixed>  $again
     */
    #[DataProvider('policies')]
    public function testHowOftenItBegins(array $again, int $times): void
    {
        $world = $this->booked('2026-03-10T10:00:00Z')
            ->happens('2026-03-03T10:00:00Z', 'b', 'booking', null, ['places' => 2])
            ->happens('2026-03-04T10:00:00Z', 'b', 'booking', null, ['starts_at' => '2026-03-11T10:00:00Z'])
            ->happens('2026-03-05T10:00:00Z', 'b', 'booking', null, ['starts_at' => '2026-03-12T10:00:00Z'])
            ->happens('2026-03-06T10:00:00Z', 'c', 'booking', 'bo', ['state' => 'booked', 'starts_at' => '2026-03-13T10:00:00Z']);
        $rule = [
            'trigger' => ['on' => 'record_changed', 'type' => 'booking', 'field' => 'starts_at'],
            'again' => $again,
            'steps' => [self::text()],
        ];

        self::assertCount(
            $times,
            $this->live(
                $world->happens('2026-03-07T10:00:00Z', 'c', 'booking', null, ['starts_at' => '2026-03-14T10:00:00Z']),
                $rule,
            )->runs(),
        );
    }

    /** @return iterable<string, array{array<string, mixed>, int}> */
    public static function policies(): iterable
    {
        yield 'every time' => [['policy' => 'every_time'], 3];
        yield 'once for each occasion: each new date is one' => [['policy' => 'once_per_occasion'], 3];
        yield 'once for each booking' => [['policy' => 'once_per_record'], 2];
        yield 'once ever' => [['policy' => 'once_per_person'], 1];
        yield 'not again within two days' => [['policy' => 'not_within', 'days' => 2], 2];
        yield 'not again within a week' => [['policy' => 'not_within', 'days' => 7], 1];
    }

    /**
     * @param  array<string, mixed>  $rule
     * @param  \Closure(Worlds): Worlds  $then
     */
    #[DataProvider('ends')]
    public function testWhatEndsIt(array $rule, \Closure $then, string $outcome, int $texts): void
    {
        $lived = $this->live(
            $then($this->booked()),
            $rule + [
                'trigger' => ['on' => 'record_added', 'type' => 'booking'],
                'steps' => [
                    self::text('first'),
                    ['id' => 'w', 'do' => 'wait', 'for' => ['amount' => 2, 'unit' => 'days']],
                    self::text('second'),
                ],
            ],
        );

        self::assertSame([$outcome, $texts], [$lived->runs()[0]->state->outcome, count($lived->sent())]);
    }

    /** @return iterable<string, array{array<string, mixed>, \Closure(Worlds): Worlds, string, int}> */
    public static function ends(): iterable
    {
        $same = fn (Worlds $world): Worlds => $world;
        $says = fn (string $words): \Closure => fn (Worlds $world): Worlds => $world->text('2026-03-03T10:00:00Z', 'bo', $words);
        $booked = ['field' => 'booking.state', 'test' => 'is', 'value' => 'booked'];
        $paid = [
            'goal' => [
                'condition' => ['field' => 'booking.price', 'test' => 'more', 'value' => 0],
                'within' => ['amount' => 1, 'unit' => 'days'],
                'value' => 'booking.price',
            ],
        ];
        $changes = fn (string $at, array $values): \Closure => fn (Worlds $world): Worlds => $world->happens(
            $at, 'b', 'booking', null, $values,
        );
        yield 'nothing' => [[], $same, 'finished', 2];
        yield 'they reply' => [['stop_early' => ['reply' => true]], $says('Thank you'), 'replied', 1];
        yield 'they reply, and it does not mind' => [['stop_early' => ['reply' => false]], $says('Thank you'), 'finished', 2];
        yield 'they say stop, whatever it minds' => [['stop_early' => ['reply' => false]], $says('STOP'), 'opted_out', 1];
        yield 'what it hangs on no longer holds' => [
            ['stop_early' => ['reply' => false, 'while' => $booked]], $changes('2026-03-03T10:00:00Z', ['state' => 'cancelled']),
            'no_longer', 1,
        ];
        yield 'and is found so before the first text too' => [
            [
                'stop_early' => ['reply' => false, 'while' => $booked],
                'steps' => [['id' => 'w', 'do' => 'wait', 'for' => ['amount' => 1, 'unit' => 'hours']], self::text()],
            ],
            $changes('2026-03-02T10:30:00Z', ['state' => 'cancelled']),
            'no_longer',
            0,
        ];
        yield 'what it hangs on cannot be told' => [
            ['stop_early' => ['reply' => false, 'while' => ['field' => 'booking.remark', 'test' => 'is', 'value' => 'x']]], $same,
            'no_longer', 0,
        ];
        yield 'its goal is met' => [$paid, $changes('2026-03-03T08:00:00Z', ['price' => 40]), 'goal', 1];
        yield 'its goal is met too late' => [$paid, $changes('2026-03-03T12:00:00Z', ['price' => 40]), 'finished', 2];
        yield 'it goes on only if' => [
            [
                'steps' => [
                    ['id' => 'g', 'do' => 'go_on_only_if', 'condition' => ['field' => 'booking.places', 'test' => 'more', 'value' => 2]],
                    self::text(),
                ],
            ],
            $same,
            'not_going_on',
            0,
        ];
        yield 'an end of its own' => [
            ['steps' => [self::text(), ['id' => 'e', 'do' => 'end', 'outcome' => 'said all'], self::text('never')]], $same, 'said all', 1,
        ];
        yield 'the rule is retired' => [
            [], fn (Worlds $world): Worlds => $world->event('2026-03-03T10:00:00Z', 'rule', ['rule' => 'ending', 'power' => 'retired']),
            'retired', 1,
        ];
    }

    /**
     * @param  array<string, mixed>  $wait
     * @param  \Closure(Worlds): Worlds  $then
     */
    #[DataProvider('waits')]
    public function testWhatItWaitsFor(array $wait, \Closure $then, ?string $expected): void
    {
        $lived = $this->live($then($this->booked('2026-03-09T14:00:00Z')), [
            'trigger' => ['on' => 'record_added', 'type' => 'booking'],
            'steps' => [['id' => 'w', 'do' => 'wait'] + $wait, self::text()],
        ]);

        self::assertSame(
            $expected === null ? [] : [$expected],
            array_map(fn (OutText $text): ?string => $text->settledAt?->format('D j H:i'), $lived->sent()),
        );
    }

    /** @return iterable<string, array{array<string, mixed>, \Closure(Worlds): Worlds, string|null}> */
    public static function waits(): iterable
    {
        $same = fn (Worlds $world): Worlds => $world;
        $moved = fn (string $to): \Closure => fn (Worlds $world): Worlds => $world->happens('2026-03-04T10:00:00Z', 'b', 'booking', null, [
            'starts_at' => $to,
        ]);
        $before = ['until' => ['date' => 'booking.starts_at', 'offset' => ['amount' => 3, 'unit' => 'hours', 'side' => 'before']]];
        yield 'a while' => [['for' => ['amount' => 90, 'unit' => 'minutes']], $same, 'Mon 2 11:30'];
        yield 'a while that ends at night is held till morning' => [['for' => ['amount' => 14, 'unit' => 'hours']], $same, 'Tue 3 08:00'];
        yield 'working days' => [['for' => ['amount' => 5, 'unit' => 'working_days']], $same, 'Mon 9 10:00'];
        yield 'until a time of day' => [['until' => ['time' => '18:15', 'clock' => 'ours']], $same, 'Mon 2 18:15'];
        yield 'until one that is past today' => [['until' => ['time' => '09:30', 'clock' => 'ours']], $same, 'Tue 3 09:30'];
        yield 'until a weekday' => [
            ['until' => ['time' => '09:30', 'clock' => 'ours', 'weekdays' => ['thu', 'sat']]],
            $same,
            'Thu 5 09:30',
        ];
        yield 'until before a date' => [$before, $same, 'Mon 9 11:00'];
        yield 'until before a date that moves' => [$before, $moved('2026-03-10T14:00:00Z'), 'Tue 10 11:00'];
        yield 'and moves again' => [
            $before,
            fn (Worlds $world): Worlds => $moved('2026-03-12T15:00:00Z')($moved('2026-03-10T14:00:00Z')($world)),
            'Thu 12 12:00',
        ];
        yield 'until they reply' => [
            ['until' => ['reply' => true, 'at_most' => ['amount' => 2, 'unit' => 'days']]],
            fn (Worlds $world): Worlds => $world->text('2026-03-02T15:05:00Z', 'bo', 'Hello'),
            'Mon 2 15:05',
        ];
        yield 'until they do not' => [['until' => ['reply' => true, 'at_most' => ['amount' => 2, 'unit' => 'days']]], $same, 'Wed 4 10:00'];
        $priced = [
            'until' => ['condition' => ['field' => 'booking.price', 'test' => 'filled'], 'at_most' => ['amount' => 3, 'unit' => 'days']],
        ];
        yield 'until something holds' => [
            $priced,
            fn (Worlds $world): Worlds => $world->happens('2026-03-03T11:20:00Z', 'b', 'booking', null, ['price' => 40]),
            'Tue 3 11:20',
        ];
        yield 'until it does not' => [$priced, $same, 'Thu 5 10:00'];
    }

    public function testSomebodyWithNothingToTellThemByIsNotStartedByHand(): void
    {
        $world = Worlds::boathouse()
            ->person('bo', '+447700900322')
            ->record('b', 'booking', 'bo', ['state' => 'booked'])
            ->event('2026-03-02T10:00:00Z', 'start', ['rule' => 'ending', 'person' => 'bo', 'record' => 'b'])
            ->event('2026-03-02T11:00:00Z', 'start', ['rule' => 'ending', 'person' => 'bo']);
        $lived = $this->live($world, [
            'trigger' => [
                'on' => 'date_reached', 'type' => 'booking', 'field' => 'starts_at',
                'offset' => ['amount' => 1, 'unit' => 'days', 'side' => 'before'],
            ],
            'steps' => [self::text()],
        ]);

        self::assertSame([], $lived->runs());
        self::assertSame(
            ['start.lacks_field', 'start.lacks_record'],
            array_map(fn (array $one): string => $one['reason']->code, $lived->trace()),
        );
    }

    public function testWhatComesBeforeItsFirstDayOrAfterItsLastStartsNothing(): void
    {
        $world = Worlds::boathouse()->person('bo', '+447700900322');
        foreach (['03', '04', '05', '06'] as $i => $day) {
            $world->happens("2026-03-{$day}T10:00:00Z", "b$i", 'booking', 'bo', ['state' => 'booked']);
        }
        $lived = $this->live($world, [
            'days' => ['first' => '2026-03-04', 'last' => '2026-03-05'],
            'trigger' => ['on' => 'record_added', 'type' => 'booking'],
            'steps' => [self::text()],
        ]);

        self::assertSame(['4', '5'], array_map(fn (Run $run): string => $run->state->beganAt->format('j'), $lived->runs()));
    }

    private function booked(?string $startsAt = null): Worlds
    {
        return Worlds::boathouse()
            ->person('bo', '+447700900322')
            ->happens(
                '2026-03-02T10:00:00Z', 'b', 'booking', 'bo',
                array_filter(['lesson' => 'tour', 'state' => 'booked', 'places' => 1, 'starts_at' => $startsAt]),
            );
    }

    /** @return array<string, mixed> */
    private static function text(string $id = 't'): array
    {
        return [
            'id' => $id, 'do' => 'text', 'kind' => 'service', 'from' => ['line' => 'fixed', 'key' => 'front-desk'],
            'wordings' => [['id' => 'w', 'text' => "Words of $id"]],
        ];
    }

    /** @param  array<string, mixed>  $rule */
    private function live(Worlds $world, array $rule): RehearsalResult
    {
        return Rehearsal::of($world->build(), [
            Rule::read(
                Doc::of(
                    $rule + [
                        'linnet_rule' => 1, 'name' => 'Ending', 'key' => 'ending', 'again' => ['policy' => 'every_time'],
                        'stop_early' => ['reply' => true],
                    ],
                ),
            ),
        ]);
    }
}
