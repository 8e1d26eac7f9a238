<?php

declare(strict_types=1);

namespace Tests\Core\Rehearsal;

use Linnet\Core\Document\Doc;
use Linnet\Core\Engine\OutText;
use Linnet\Core\Rehearsal\Rehearsal;
use Linnet\Core\Rehearsal\RehearsalResult;
use Linnet\Core\Rule\Rule;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Worlds;

/** From which line and to which number a text leaves. */
final class LinesTest extends TestCase
{
    /** @param  array<string, mixed>  $from */
    #[DataProvider('senders')]
    public function testTheLineATextLeavesFrom(array $from, Worlds $world, ?string $line, ?string $problem): void
    {
        $text = $this->live($world, ['from' => $from])->texts()[0];

        self::assertSame([$line, $problem], [$text->line, $text->reason?->code]);
    }

    /** @return iterable<string, array{array<string, mixed>, Worlds, string|null, string|null}> */
    public static function senders(): iterable
    {
        $call = fn (string $line = '+447700900101'): Worlds => self::world()->call('2026-03-02T10:00:00Z', 'c', 'bo', $line);
        $wrote = fn (Worlds $world, string $line): Worlds => $world->text('2026-03-02T08:30:00Z', 'bo', 'Hello?', $line);
        yield 'the one they called' => [['line' => 'contacted'], $call(), 'workshop', null];
        yield 'a fixed one' => [['line' => 'fixed', 'key' => 'front-desk'], $call(), 'front-desk', null];
        yield 'one that is not there' => [['line' => 'fixed', 'key' => 'attic'], $call(), null, 'text.no_line'];
        yield 'the one last used with them' => [['line' => 'last_used'], $wrote($call(), 'workshop'), 'workshop', null];
        yield 'never used any: the first that can be answered' => [['line' => 'last_used'], $call(), 'front-desk', null];
        yield 'their conversation is locked to one' => [
            ['line' => 'last_used'], $wrote(self::world('workshop')->call('2026-03-02T10:00:00Z', 'c', 'bo'), 'front-desk'), 'workshop',
            null,
        ];
        yield 'locked to one that is gone' => [
            ['line' => 'last_used'], $wrote(self::world('attic')->call('2026-03-02T10:00:00Z', 'c', 'bo'), 'workshop'), 'workshop', null,
        ];
        yield 'a pool, the one they are used to' => [
            ['line' => 'pool', 'keys' => ['front-desk', 'workshop']], $wrote($call(), 'workshop'), 'workshop', null,
        ];
        yield 'a pool of which one does not send to their country' => [
            ['line' => 'pool', 'keys' => ['front-desk', 'workshop']], $call()->line('workshop', ['countries' => ['IE']]), 'front-desk',
            null,
        ];
        yield 'a pool of which none does' => [
            ['line' => 'pool', 'keys' => ['workshop']], $call()->line('workshop', ['countries' => ['IE']]), 'workshop', 'gate.line_abroad',
        ];
        $desks = $call()->line('workshop', ['pool' => 'Desks'])->line('front-desk', ['pool' => 'Desks']);
        yield 'the lines of a name, the one they are used to' => [
            ['line' => 'line_pool', 'called' => 'Desks'], $wrote($desks, 'workshop'), 'workshop', null,
        ];
        yield 'lines of a name that no line has' => [['line' => 'line_pool', 'called' => 'Attic'], $call(), null, 'text.no_line'];
        yield 'a line that sends later' => [
            ['line' => 'contacted'], $call()->line('workshop', ['hours' => ['week' => ['tue' => [['14:00', '15:00']]]]]), 'workshop', null,
        ];
        yield 'a line that never sends' => [
            ['line' => 'contacted'], $call()->line('workshop', ['hours' => ['week' => ['mon' => []]]]), 'workshop', 'gate.line_never_open',
        ];
        yield 'a line that is off' => [
            ['line' => 'contacted'], $call()->line('workshop', ['power' => 'paused']), 'workshop', 'gate.line_paused',
        ];
        yield 'a line that is gone for good' => [
            ['line' => 'contacted'], $call()->line('workshop', ['power' => 'retired']), 'workshop', 'gate.line_retired',
        ];
    }

    public function testALineThatSendsLaterSendsThen(): void
    {
        $world = self::world()
            ->call('2026-03-02T10:00:00Z', 'c', 'bo', '+447700900101')
            ->line('workshop', ['hours' => ['week' => ['tue' => [['14:00', '15:00']]]]]);

        self::assertSame(
            ['Tue 14:00'],
            array_map(
                fn (OutText $text): ?string => $text->settledAt?->format('D H:i'),
                $this->live($world, ['from' => ['line' => 'contacted']])->sent(),
            ),
        );
    }

    public function testAPoolIsTheSameForOnePersonAndNotForAll(): void
    {
        $world = Worlds::boathouse();
        for ($i = 0; $i < 12; $i++) {
            $world
                ->person("p$i", '+447700900'.(300 + $i))
                ->call('2026-03-02T10:00:00Z', "a$i", "p$i")
                ->call('2026-03-04T10:00:00Z', "b$i", "p$i");
        }
        $lines = [];
        foreach ($this->live($world, ['from' => ['line' => 'pool', 'keys' => ['front-desk', 'workshop']]])->sent() as $text) {
            $lines[$text->to->personId][] = $text->line;
        }

        self::assertCount(12, $lines);
        foreach ($lines as $theirs) {
            self::assertCount(1, array_unique($theirs));
        }
        self::assertCount(2, array_unique(array_merge(...array_values($lines))));
    }

    public function testTheOwnersLineAndAColleagueOfTheirs(): void
    {
        $world = fn (): Worlds => Worlds::boathouse()
            ->person('bo', '+447700900322')
            ->line('workshop', ['staff' => 'tom@osierquay.example']);
        $rule = fn (array $step): array => [
            'trigger' => ['on' => 'record_added', 'type' => 'deal'],
            'steps' => [$step + ['id' => 't', 'do' => 'text', 'kind' => 'service', 'wordings' => [['id' => 'w', 'text' => 'Hello']]]],
        ];
        $deal = fn (int $owner): Worlds => $world()->happens('2026-03-02T10:00:00Z', 'd', 'deal', 'bo', [
            'title' => 'Away day',
            'stage' => 'asked',
            'owner' => $owner,
        ]);

        self::assertSame(
            ['workshop', 'front-desk'],
            array_map(fn (int $owner): ?string => $this->lived($deal($owner), $rule(['from' => ['line' => 'owner']]))->texts()[0]->line, [
                2,
                1,
            ]),
        );
        $to = fn (int $owner): OutText => $this->lived(
            $deal($owner),
            $rule(['from' => ['line' => 'fixed', 'key' => 'front-desk'], 'to' => ['who' => 'owner']]),
        )->texts()[0];
        self::assertSame(['Mira Okafor', '+447700900150', 'Hello'], [$to(1)->to->who, $to(1)->to->number, $to(1)->composed?->body]);
        // Tom has switched texts off.
        self::assertSame('gate.staff_off', $to(2)->reason?->code);
    }

    /**
     * @param  list<string>  $numbers
     * @param  list<string>  $choices
     */
    #[DataProvider('numbers')]
    public function testWhichOfTheirNumbers(array $numbers, array $choices, ?string $expected, ?string $problem): void
    {
        $world = Worlds::boathouse()->person('bo', $numbers[0], ['numbers' => $numbers])->call('2026-03-02T10:00:00Z', 'c', 'bo');
        $text = $this->live($world, ['from' => ['line' => 'contacted'], 'numbers' => $choices])->texts()[0];

        self::assertSame([$expected, $problem], [$text->to->number, $text->reason?->code]);
    }

    /** @return iterable<string, array{list<string>, list<string>, string|null, string|null}> */
    public static function numbers(): iterable
    {
        [$landline, $mobile, $other] = ['+442079460018', '+447700900322', '+447700900323'];
        yield 'the preferred one' => [[$mobile, $other], ['preferred'], $mobile, null];
        yield 'a mobile before a landline that is preferred' => [[$landline, $mobile], ['mobile', 'preferred'], $mobile, null];
        yield 'no mobile: the preferred one after all' => [[$landline], ['mobile', 'preferred'], $landline, 'gate.number_landline'];
        yield 'the newest' => [[$mobile, $other], ['newest'], $other, null];
    }

    private static function world(?string $lockedTo = null): Worlds
    {
        return Worlds::boathouse()->person('bo', '+447700900322', array_filter(['line' => $lockedTo]));
    }

    /** @param  array<string, mixed>  $step */
    private function live(Worlds $world, array $step): RehearsalResult
    {
        return $this->lived($world, [
            'steps' => [$step + ['id' => 't', 'do' => 'text', 'kind' => 'service', 'wordings' => [['id' => 'w', 'text' => 'Hello']]]],
        ]);
    }

    /** @param  array<string, mixed>  $rule */
    private function lived(Worlds $world, array $rule): RehearsalResult
    {
        return Rehearsal::of($world->build(), [
            Rule::read(
                Doc::of(
                    $rule + [
                        'linnet_rule' => 1, 'name' => 'Lines', 'key' => 'lines', 'trigger' => ['on' => 'record_added', 'type' => 'call'],
                        'again' => ['policy' => 'every_time'], 'stop_early' => ['reply' => false],
                    ],
                ),
            ),
        ]);
    }
}
