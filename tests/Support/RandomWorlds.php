<?php

declare(strict_types=1);

namespace Tests\Support;

use Demo\People;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\Step\Texting;
use Linnet\Core\Time\WeeklyHours;

/** Worlds made by chance from a seed: some of the boathouse's rules, some out of the schema, a few people, and their next four weeks. */
final class RandomWorlds
{
    private const ZONES = [null, 'Europe/London', null, null, 'Australia/Sydney', 'Europe/Paris', 'America/New_York', null];

    /** Each with clocks that change while it lasts: in London and Sydney, in London and New York, and in New York alone. */
    private const BEGINS = ['2026-03-23', '2026-10-19', '2026-03-02'];

    /** @param  list<Rule>  $rules */
    private function __construct(
        private readonly Worlds $worlds,
        private readonly BoathouseNames $names,
        private readonly int $begins,
        private readonly int $people,
        private readonly array $rules,
    ) {
    }

    /** @return array{Worlds, list<Rule>} */
    public static function of(int $seed): array
    {
        mt_srand($seed);
        $from = new \DateTimeImmutable(self::BEGINS[$seed % 3], new \DateTimeZone('UTC'));
        $worlds = self::around($from, $seed);
        $files = glob(dirname(__DIR__, 2).'/demo/rules/*.json') ?: [];
        $rules = array_map(
            fn (int $i): Rule => Rule::fromJson((string) file_get_contents($files[$i])), (array) array_rand($files, 8 + $seed % 5),
        );
        $keys = array_map(fn (Rule $rule): string => (string) $rule->key, $rules);
        $drawn = array_map(fn (int $i): string => "drawn-$i", range(1, 6 + $seed % 4));
        $names = new BoathouseNames($worlds->build()->configuration->types, [...$keys, ...$drawn, 'no-such-rule'], $from);
        foreach ($drawn as $key) {
            $rules[] = RandomRules::next($names, $key);
        }
        shuffle($rules);
        $one = new self($worlds, $names, $from->getTimestamp(), 3 + $seed % 5, $rules);
        $one->fill($seed);

        return [$worlds, $rules];
    }

    private static function around(\DateTimeImmutable $from, int $seed): Worlds
    {
        $worlds = Worlds::boathouse($from->format('Y-m-d\T08:00:00\Z'), $from->modify('28 days')->format('Y-m-d\T00:00:00\Z'))
            ->with('pools', [
                'water-level' => [
                    ['id' => 'low', 'text' => 'The water is low.'],
                    ['id' => 'fine', 'text' => 'The water is fine.', 'most' => 3],
                ],
            ])
            ->with('audiences', [
                'Regulars' => ['of' => 'person', 'condition' => ['any' => [
                    ['tag' => 'member'], ['related' => 'booking', 'that' => ['field' => 'booking.places', 'test' => 'more', 'value' => 1]],
                ]]],
                'Soon' => ['of' => 'booking', 'condition' => ['field' => 'booking.starts_at', 'test' => 'within_next', 'value' => 5]],
            ])
            // Those nobody has in the town either, which whoever is asked about them knows.
            ->with('numbers', array_fill_keys(self::dead(), false))
            ->with('codes', ['welcome' => ['AB12', 'CD34', 'EF56']])
            ->business('install', "world-$seed")
            ->business('leap_days_on', $seed % 2 === 0 ? '1_march' : '28_february')
            ->business('holidays', [$from->modify('11 days')->format('Y-m-d'), $from->modify('14 days')->format('Y-m-d')]);
        if ($seed % 2 === 0) {
            // A sender by name, which nobody can write to; in the other worlds there is none that is called so.
            $worlds->with('lines', [...$worlds->document()['lines'], ['key' => 'news', 'name' => 'Osier Quay']]);
        }
        if ($seed % 3 === 0) {
            $worlds->pace(['per_minute' => 1, 'per_day' => 6])->policy(['cap' => ['per_day' => 2, 'gap_minutes' => 30]]);
        }
        if ($seed % 4 === 1) {
            $worlds->policy(['month_micros' => 900_000]);
        }
        if ($seed % 5 === 2) {
            $worlds->line('workshop', ['countries' => ['GB'], 'hours' => WeeklyHours::daily('10:00', '16:00')->toDocument()]);
        }

        return $worlds;
    }

    /** @return list<string> */
    private static function dead(): array
    {
        return array_column(array_filter(People::all(), fn (array $one): bool => $one['handset'] === 'dead'), 'number');
    }

    private function fill(int $seed): void
    {
        for ($i = 0; $i < $this->people; $i++) {
            // Numbers of its own for each of sixty worlds: the carrier remembers what it carried.
            $this->worlds->person(
                "p$i",
                $i === 2
                    ? '+141655501'.(10 + ($seed % 60))
                    : ($i === 3
                        ? '+121355501'.(10 + ($seed % 60))
                        : '+447700900'.(300 + ($seed % 60) * 10 + $i)),
                array_filter([
                    'zone' => self::ZONES[$i], 'line' => $i % 3 === 2 ? 'workshop' : null,
                    'first_name' => Chance::one(['Ana', 'Bo', 'Cleo', 'Dan']), 'consent' => Chance::is(60) ? ['marketing'] : null,
                    'lists' => Chance::is(50) ? ['newsletter'] : null, 'tags' => Chance::is(30) ? ['member'] : null,
                    'fields' => ['member_since' => Chance::one(['2020-03-28', '2024-02-29', '2021-04-02', '2023-10-30'])],
                ]),
            );
        }
        for ($i = 0; $i < 12; $i++) {
            [$type, $values] = $this->something($i);
            $this->worlds->record("r$i", $type, $i % 4 === 3 ? null : $this->somebody(), $values);
        }
        for ($i = 0, $at = $this->begins + 9 * 3_600; $i < 60; $i++) {
            $at += mt_rand(600, 55_000);
            $this->event(gmdate('Y-m-d\TH:i:s\Z', $at), $i);
        }
    }

    private function event(string $at, int $i): void
    {
        $rule = (string) Chance::one($this->rules)->key;
        $person = $this->somebody();
        match (mt_rand(0, 27)) {
            18, 19, 20, 21, 22, 23, 24, 25 => $this->meet(Chance::one($this->rules), $at, $i, $person),
            0, 1, 2 => (function () use ($at, $i, $person): void {
                [$type, $values] = $this->something($i);
                $this->worlds->happens($at, "e$i", $type, $i % 4 === 3 ? null : $person, $values);
            })(),
            3, 4, 5, 6 => (function () use ($at): void {
                $record = Chance::one($this->known());
                $whose = Chance::is(20) ? $this->somebody() : null;
                $this->worlds->happens($at, $record['id'], $record['type'], $whose, $this->changed($record['type']));
            })(),
            7, 8, 9 => $this->worlds->text($at, $person, $this->words(), Chance::one(['front-desk', 'front-desk', 'workshop'])),
            10 => $this->worlds->event($at, 'label', [
                'person' => $person, ...Chance::one([['list' => 'newsletter'], ['tag' => 'member']]),
                'change' => Chance::one(['added', 'removed']),
            ]),
            11 => $this->worlds->event($at, 'form', ['person' => $person, 'form' => 'hire']),
            12 => $this->worlds->event($at, 'fate', [
                'person' => $person, 'fate' => Chance::one(['failed', 'undeliverable', 'link_opened']), 'of_rule' => $rule,
            ]),
            26, 27 => $this->act(Chance::one(['wrote', 'give_back']), $at, $person, $rule),
            13 => $this->worlds->event($at, 'start', ['person' => $person, 'rule' => $rule]),
            14 => Chance::is(50)
                ? $this->worlds->event($at, 'release', ['rule' => $rule])
                : $this->act(Chance::one(['stop', 'skip', 'own_text', 'own_text']), $at, $person, $rule),
            15, 16 => $this->worlds->event($at, 'person', [
                'person' => $person,
                'values' => Chance::one([
                    ['town' => 'Osier'], ['town' => 'Acle'], ['first_name' => 'Eli'],
                    ['member_since' => gmdate('Y-m-d', $this->begins - 6 * 31_557_600 + mt_rand(0, 20) * 86_400)],
                ]),
            ]),
            default => Chance::is(70)
                ? $this->worlds->event($at, 'rule', ['rule' => $rule, 'power' => Chance::one(['paused', 'on', 'on', 'retired'])])
                : $this->worlds->event($at, 'line', [
                    'line' => Chance::one(['front-desk', 'workshop']), 'power' => Chance::one(['paused', 'on', 'on']),
                ]),
        };
    }

    private function act(string $what, string $at, string $person, string $rule): void
    {
        $what === 'own_text'
            ? $this->decide($at, $person)
            : $this->worlds->event($at, $what, ['person' => $person] + ($what === 'wrote' ? [] : ['rule' => $rule]));
    }

    /** Somebody decides of one of the texts of a rule. */
    private function decide(string $at, string $person): void
    {
        $rule = Chance::one($this->rules);
        $texts = array_map(fn (Texting $text): string => $text->id(), $rule->flow->texts());
        $texts === [] || $this->worlds->event($at, 'own_text', [
            'person' => $person, 'rule' => (string) $rule->key, 'step' => Chance::one(array_values($texts)),
            ...Chance::one([
                ['words' => 'For {{ first_name | or: "you" }} alone.'], ['skip' => true], [],
                ['to' => gmdate('Y-m-d\TH:i:s\Z', (int) strtotime($at) + mt_rand(-3_600, 4 * 86_400))],
            ]),
        ]);
    }

    private function somebody(): string
    {
        return 'p'.mt_rand(0, $this->people - 1);
    }

    /** @return non-empty-list<array<string, mixed>> the records there are by now */
    private function known(): array
    {
        ['records' => $records, 'events' => $events] = $this->worlds->document();

        /** @var non-empty-list<array<string, mixed>> */
        return [...$records, ...array_filter($events, fn (array $event): bool => $event['what'] === 'record')];
    }

    /** What somebody writes: often one of the words a rule listens to. */
    private function words(): string
    {
        return Chance::one([
            'yes', 'Y', 'cancel', 'STOP', 'START', 'Kayka tomorrow?', 'what is the water level', 'thank you', 'please stop texting me',
            'kayak', 'later next month', 'hm', ...BoathouseNames::WORDS,
        ]);
    }

    /** Something a rule may begin by. */
    private function meet(Rule $rule, string $at, int $i, string $person): void
    {
        $trigger = $rule->trigger->toDocument();
        $type = $rule->trigger->type();
        $change = fn (string $field): array => [$field => $trigger['to'] ?? $this->names->value($type, $field)];
        /** @var non-empty-list<string> $words */
        $words = $trigger['words'] ?? ['kayak'];
        $lines = array_intersect($trigger['lines'] ?? [], ['front-desk', 'workshop']) ?: ['front-desk'];
        match ($type === RecordType::PERSON && $trigger['on'] === 'record_added' ? 'started' : $trigger['on']) {
            'record_added' => $this->worlds->happens($at, "e$i", $type, $person, $this->something($i, $type)[1]),
            'record_changed', 'date_reached' => $type === RecordType::PERSON
                ? $this->worlds->event($at, 'person', ['person' => $person, 'values' => $change($trigger['field'])])
                : $this->worlds->happens($at, $this->oneOf($type)['id'] ?? "e$i", $type, $person, $change($trigger['field'])),
            'text_received' => $this->worlds->text($at, $person, Chance::one($words), Chance::one($lines)),
            'label_changed' => $this->worlds->event($at, 'label', ['person' => $person] + array_diff_key($trigger, ['on' => 1])),
            'text_fate' => $this->worlds->event($at, 'fate', ['person' => $person] + array_diff_key($trigger, ['on' => 1])),
            default => $this->worlds->event(
                $at, 'start',
                array_filter(['person' => $person, 'rule' => $rule->key, 'record' => $this->oneOf($type, $person)['id'] ?? null]),
            ),
        };
    }

    /** @return array<string, mixed>|null a record of a type, and of a person */
    private function oneOf(string $type, ?string $person = null): ?array
    {
        $known = array_filter(
            $this->known(),
            fn (array $one): bool => $one['type'] === $type && ($person === null || ($one['person'] ?? '') === $person),
        );

        return $known === [] ? null : Chance::one($known);
    }

    /** @return array{string, array<string, mixed>} */
    private function something(int $i, ?string $type = null): array
    {
        $day = fn (int $from, int $to): string => $this->names->day(mt_rand($from, $to));

        $some = [
            'booking' => [
                'lesson' => 'beginners’ lesson', 'state' => 'booked', 'starts_at' => $day(0, 12).'T'.Chance::one(['09', '14']).':00:00Z',
                'ends_at' => $day(0, 14).'T16:00:00Z', 'instructor' => mt_rand(1, 2), 'price' => 45,
            ],
            'basket' => [
                'what' => 'Tow line', 'state' => 'open', 'pieces' => mt_rand(0, 2), 'value' => 31.5,
                'url' => "https://shop.osierquay.example/b/$i",
            ],
            'deal' => [
                'title' => "Away day $i", 'stage' => Chance::one(['asked', 'offered']), 'value' => mt_rand(500, 2000),
                'day' => $day(10, 40), 'owner' => mt_rand(1, 2),
            ],
            'invoice' => [
                'number' => "I-$i", 'state' => 'sent', 'amount' => 120, 'due' => $day(-5, 12), 'link' => "https://pay.osierquay.example/$i",
            ],
            'job' => ['boat' => 'kayak', 'stage' => Chance::one(['looked at', 'ready']), 'cost' => 60],
            'service_plan' => ['boat' => 'skiff', 'state' => 'runs', 'next_check' => $day(10, 30), 'rack' => 'B4'],
            'call' => [
                'outcome' => 'missed', 'line' => Chance::one(['+447700900100', '+447700900101']), 'started_at' => $day(1, 2).'T10:00:00Z',
            ],
            'order' => ['what' => 'Paddle', 'state' => 'packed', 'value' => 62, 'paid_at' => $day(0, 10).'T10:00:00Z'],
        ];
        $type = isset($some[$type]) ? $type : Chance::one(array_keys($some));

        return [$type, $some[$type]];
    }

    /** @return array<string, mixed> */
    private function changed(string $type): array
    {
        $day = fn (): string => $this->names->day(mt_rand(0, 20));

        return match ($type) {
            'booking' => Chance::one([
                ['state' => 'cancelled'], ['state' => 'came'], ['state' => 'did not come'], ['starts_at' => $day().'T11:00:00Z'],
                ['starts_at' => $day().'T15:00:00Z'],
            ]),
            'basket' => Chance::one([['state' => 'paid'], ['pieces' => mt_rand(0, 4)], ['state' => 'left']]),
            'deal' => Chance::one([['stage' => 'offered'], ['stage' => 'agreed'], ['stage' => 'lost'], ['value' => mt_rand(500, 2000)]]),
            'invoice' => Chance::one([['state' => 'paid'], ['due' => $day()]]),
            'job' => Chance::one([['stage' => 'ready'], ['stage' => 'collected']]),
            'service_plan' => Chance::one([['next_check' => $day()], ['state' => 'ended']]),
            'order' => ['state' => 'sent'],
            default => ['outcome' => 'answered'],
        };
    }
}
