<?php

declare(strict_types=1);

namespace Tests\Core\Rehearsal;

use Linnet\Core\Document\Doc;
use Linnet\Core\Rehearsal\Rehearsal;
use Linnet\Core\Rehearsal\RehearsalResult;
use Linnet\Core\Rule\Rule;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Worlds;

/** What a run does besides texting its person. */
final class DeedsTest extends TestCase
{
    /**
     * @param  list<array<string, mixed>>  $steps
     * @param  list<string>  $expected
     */
    #[DataProvider('deeds')]
    public function testWhatIsDone(array $steps, array $expected): void
    {
        self::assertSame($expected, $this->done($steps));
    }

    /** @return iterable<string, array{list<array<string, mixed>>, list<string>}> */
    public static function deeds(): iterable
    {
        $tell = fn (string $by, array $to, string $words = '{{ first_name }}: {{ deal.title }}'): array => [
            ['id' => 's', 'do' => 'tell_staff', 'by' => $by, 'to' => $to, 'words' => $words],
        ];
        yield 'a field of the record' => [[['id' => 's', 'do' => 'change', 'set' => ['deal.stage' => 'lost']]], ['set deal.stage=lost']];
        yield 'a field emptied' => [[['id' => 's', 'do' => 'change', 'set' => ['deal.day' => null]]], ['set deal.day=']];
        yield 'a field that names a colleague' => [
            [['id' => 's', 'do' => 'change', 'set' => ['deal.owner' => 'tom', 'deal.stage' => 'lost']]],
            ['set deal.owner=tom, deal.stage=lost'],
        ];
        yield 'nothing, where one of its fields names nobody' => [
            [['id' => 's', 'do' => 'change', 'set' => ['deal.owner' => 'Osier', 'deal.stage' => 'lost']]],
            [],
        ];
        yield 'a field of the person' => [[['id' => 's', 'do' => 'change', 'set' => ['town' => 'Osier']]], ['set town=Osier']];
        yield 'a tag and a list' => [
            [['id' => 's', 'do' => 'change', 'add' => ['tag' => ['big'], 'list' => ['spring']], 'remove' => ['tag' => ['small']]]],
            ['remove_tag small', 'add_tag big', 'add_list spring'],
        ];
        yield 'the owner, on their screen' => [$tell('notice', ['who' => 'owner']), ['notice Mira Okafor: Bo: Away day']];
        yield 'a named colleague, by email' => [
            $tell('email', ['who' => 'staff', 'email' => 'tom@osierquay.example']),
            ['email tom@osierquay.example: Bo: Away day'],
        ];
        yield 'an address, by email' => [
            $tell('email', ['who' => 'address', 'email' => 'desk@osierquay.example']),
            ['email desk@osierquay.example: Bo: Away day'],
        ];
        yield 'a missing value is not sent' => [$tell('notice', ['who' => 'owner'], 'On {{ deal.day | as: "date" }}'), []];
        yield 'something to do, for somebody, by a working day' => [
            [
                [
                    'id' => 's', 'do' => 'task', 'words' => 'Ring {{ first_name }}', 'for' => ['who' => 'owner'],
                    'due' => ['amount' => 2, 'unit' => 'working_days'],
                ],
            ],
            ['task Mira Okafor: Ring Bo, by Tue 10 March 10:00'],
        ];
        yield 'something to do, for whoever takes it' => [
            [['id' => 's', 'do' => 'task', 'words' => 'Ring {{ first_name }}']],
            ['task : Ring Bo'],
        ];
        yield 'another system is told' => [
            [
                [
                    'id' => 's',
                    'do' => 'call_out',
                    'address' => 'https://books.example/deals',
                    'body' => [
                        'name' => '{{ first_name }}',
                        'deep' => ['value' => '{{ deal.value | as: "number" }}', 'list' => [1, true, null]],
                    ],
                ],
            ],
            ['call_out https://books.example/deals: {"name":"Bo","deep":{"value":"900","list":[1,true,null]}}'],
        ];
        yield 'a branch, the first that holds' => [
            [
                [
                    'id' => 's',
                    'do' => 'branch',
                    'cases' => [
                        [
                            'if' => ['field' => 'deal.value', 'test' => 'more', 'value' => 5000],
                            'steps' => [['id' => 'a', 'do' => 'change', 'add' => ['tag' => ['huge']]]],
                        ],
                        [
                            'if' => ['field' => 'deal.value', 'test' => 'more', 'value' => 500],
                            'steps' => [['id' => 'b', 'do' => 'change', 'add' => ['tag' => ['large']]]],
                        ],
                        [
                            'if' => ['field' => 'deal.value', 'test' => 'more', 'value' => 50],
                            'steps' => [['id' => 'c', 'do' => 'change', 'add' => ['tag' => ['small']]]],
                        ],
                    ],
                    'otherwise' => [['id' => 'd', 'do' => 'change', 'add' => ['tag' => ['none']]]],
                ],
            ],
            ['add_tag large'],
        ];
        yield 'a branch of which nothing can be told' => [
            [
                [
                    'id' => 's',
                    'do' => 'branch',
                    'cases' => [
                        [
                            'if' => ['field' => 'deal.notes', 'test' => 'contains', 'value' => 'x'],
                            'steps' => [['id' => 'a', 'do' => 'change', 'add' => ['tag' => ['x']]]],
                        ],
                    ],
                    'otherwise' => [['id' => 'd', 'do' => 'change', 'add' => ['tag' => ['none']]]],
                ],
            ],
            ['add_tag none'],
        ];
        yield 'round and round, and no further' => [
            [
                ['id' => 'a', 'do' => 'change', 'add' => ['tag' => ['seen']]],
                ['id' => 'b', 'do' => 'task', 'words' => 'Once more'],
                ['id' => 'r', 'do' => 'repeat', 'to' => 'b', 'times' => 2, 'every' => ['amount' => 1, 'unit' => 'days']],
            ],
            ['add_tag seen', 'task : Once more', 'task : Once more', 'task : Once more'],
        ];
    }

    public function testALookUpIsDoneOnceAndRemembered(): void
    {
        $look = ['id' => 's', 'do' => 'look_up_number', 'remember_days' => 30];
        $ask = [
            'id' => 'b', 'do' => 'branch',
            'cases' => [['if' => ['number' => 'dead'], 'steps' => [['id' => 'x', 'do' => 'change', 'add' => ['tag' => ['dead']]]]]],
            'otherwise' => [['id' => 'y', 'do' => 'change', 'add' => ['tag' => ['fine']]]],
        ];

        foreach ([true, false] as $alive) {
            $world = $this->world()
                ->with('numbers', ['+447700900322' => $alive])
                ->happens('2026-03-07T10:00:00Z', 'e', 'deal', 'bo', ['title' => 'Another', 'stage' => 'asked', 'value' => 100]);
            $lived = $this->live([$look, $ask], $world);

            self::assertSame(['look_up', $alive ? 'add_tag' : 'add_tag'], array_slice(array_column($lived->sideEffects(), 'what'), 0, 2));
            self::assertCount(1, array_keys(array_column($lived->sideEffects(), 'what'), 'look_up', true));
            self::assertSame($alive ? 'fine' : 'dead', $lived->sideEffects()[1]['with']['name'] ?? null);
        }
    }

    public function testWhatIsDoneIsAChangeThatOtherRulesSee(): void
    {
        $other = [
            'linnet_rule' => 1, 'name' => 'Lost', 'key' => 'lost',
            'trigger' => ['on' => 'record_changed', 'type' => 'deal', 'field' => 'stage', 'to' => 'lost'],
            'again' => ['policy' => 'every_time'], 'stop_early' => ['reply' => false],
            'steps' => [['id' => 't', 'do' => 'task', 'words' => 'Ask why']],
        ];
        $lived = $this->live([['id' => 's', 'do' => 'change', 'set' => ['deal.stage' => 'lost']]], $this->world()->with('rules', [$other]));

        self::assertSame(['set', 'task'], array_column($lived->sideEffects(), 'what'));
    }

    /**
     * @param  list<array<string, mixed>>  $steps
     * @return list<string>
     */
    private function done(array $steps): array
    {
        return array_map(function (array $deed): string {
            $with = $deed['with'];
            $set = implode(
                ', ',
                array_map(
                    fn (int|string $path, mixed $value): string => $path.'='.(is_scalar($value) ? $value : ''),
                    array_keys($with['values'] ?? []),
                    $with['values'] ?? [],
                ),
            );

            return $deed['what'].
                ' '.
                match ($deed['what']) {
                    'set' => $set,
                    'notice', 'task' => ($with['to'] ?? ($with['for'] ?? '')).
                        ': '.
                        $with['words'].
                        (isset($with['due_at']) ? ', by '.(new \DateTimeImmutable($with['due_at']))->format('D j F H:i') : ''),
                    'email' => "$with[to]: $with[words]",
                    'call_out' => "$with[address]: ".json_encode($with['body'], JSON_UNESCAPED_SLASHES),
                    default => $with['name'] ?? '',
                };
        }, $this->live($steps, $this->world())->sideEffects());
    }

    private function world(): Worlds
    {
        return Worlds::boathouse('2026-03-02T08:00:00Z', '2026-03-20T00:00:00Z')
            ->person('bo', '+447700900322')
            ->happens('2026-03-06T10:00:00Z', 'd', 'deal', 'bo', ['title' => 'Away day', 'stage' => 'asked', 'value' => 900, 'owner' => 1]);
    }

    /** @param  list<array<string, mixed>>  $steps */
    private function live(array $steps, Worlds $world): RehearsalResult
    {
        return Rehearsal::of($world->build(), [
            Rule::read(
                Doc::of([
                    'linnet_rule' => 1, 'name' => 'Deeds', 'key' => 'deeds', 'trigger' => ['on' => 'record_added', 'type' => 'deal'],
                    'again' => ['policy' => 'every_time'], 'stop_early' => ['reply' => false], 'steps' => $steps,
                ]),
            ),
        ]);
    }
}
