<?php

declare(strict_types=1);

namespace Tests\Support;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Rule\Rule;

/** Rules made by chance from a seed, out of the published schema: whatever a document may say comes up. */
final class RandomRules
{
    private const WORDS = [
        'Hello', 'water level', 'a "quoted" word', 'and', 'or else', "O'Brien", 'Süß & señor', 'two: parts', 'ends.', '5', 'yes', 'not now',
        'back\\slash', '(aside)', '“curly”', 'once more', '3 March 2026', 'naïve; mixed', 'ALL CAPS', 'the owner', 'line | stroke',
    ];

    private const TEXTS = [
        'Hello {{ first_name | or: "there" }}', 'Two lines'."\n".'of text', '  set in', 'ends with space ', "blank\n\nbetween",
        '| a stroke', 'It is {{ booking.starts_at | as: "time" }}.', 'Said “so”', "last line empty\n", 'if they answer "yes":',
        '1 € {{ pick: "Hi" / "Ho" }}', 'back\\slash', "tab\tin it", "a\r\nb", 'plain',
    ];

    private const PATHS = [
        'booking.state', 'booking.starts_at', 'booking.price', 'booking.places', 'booking.instructor', 'booking.lesson',
        'booking.instructor.texts_allowed', 'owner.first_name', 'first_name', 'member_since', 'town', 'person.town', 'remark', 'deal.stage',
        'deal.value', 'deal.owner', 'job.may_we_call', 'call.line', 'basket.pieces', 'nothing.here', 'made_up', 'booking.made.up',
    ];

    private const NAMES = [
        'type' => ['booking', 'deal', 'call', 'person', 'basket', 'job', 'service_plan', 'made_up'],
        'related' => ['booking', 'order', 'invoice', 'made_up', 'person'], 'of' => ['person', 'invoice', 'booking', 'made_up'],
        'form' => ['hire', 'made_up'], 'rule' => ['basket-left', 'find-out', 'made-up'], 'of_rule' => ['basket-left', 'made-up'],
        'pool' => ['water-level', 'made-up'], 'key' => ['front-desk', 'workshop', 'made-up'],
        'field' => [
            'state', 'starts_at', 'stage', 'value', 'owner', 'town', 'member_since', 'due', 'pieces', 'may_we_call', 'line', 'made_up',
        ],
    ];

    private const RECURRENCES = [
        'FREQ=MONTHLY;BYDAY=1MO', 'FREQ=WEEKLY;BYDAY=MO,TH', 'FREQ=DAILY', 'FREQ=WEEKLY;INTERVAL=2;BYDAY=FR',
        'FREQ=YEARLY;BYMONTH=3,9;BYMONTHDAY=1', 'FREQ=MONTHLY;BYMONTHDAY=-1', 'FREQ=MONTHLY;BYDAY=-1FR;COUNT=6',
        'FREQ=DAILY;INTERVAL=3;UNTIL=20271231', 'FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1', 'freq=weekly',
        'FREQ=WEEKLY;UNTIL=20271231T235959Z', 'BYDAY=SU;FREQ=WEEKLY', 'FREQ=HOURLY;INTERVAL=6', 'FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=29',
        'FREQ=DAILY;BYHOUR=9,17', 'FREQ=MONTHLY;BYDAY=2TU,4TU',
    ];

    private const VALUES = [
        'booked', 'did not come', 'Missed', 'brought in', 'yes', 'front-desk', 'Tom Reyes', 'tom@osierquay.example', '2026-03-03',
        '2026-03-03T10:00:00Z', '5', '', 'a', 'not ready', 'x and y', 'kayak',
    ];

    /** @var array<string, array<string, mixed>> */
    private array $defs;

    private int $ids = 0;

    private function __construct(private int $seed)
    {
        /** @var array{'$defs': array<string, array<string, mixed>>} $schema */
        $schema = self::schema();
        $this->defs = $schema['$defs'];
        mt_srand($this->seed);
    }

    /** The first rule from a seed on that can be read: what a schema cannot say is left to chance. */
    public static function of(int $seed): Rule
    {
        for ($try = 0; $try < 200; $try++) {
            try {
                return Rule::read(Doc::of((new self($seed * 1000 + $try))->rule()));
            } catch (Unreadable) {
                continue;
            }
        }

        throw new \LogicException("No rule from $seed on.");
    }

    /** @return array<string, mixed> */
    private static function schema(): array
    {
        /** @var array<string, mixed> */
        return json_decode(
            (string) file_get_contents(dirname(__DIR__, 2).'/docs/formats/rule-1.schema.json'), true, 64, JSON_THROW_ON_ERROR,
        );
    }

    /** @return array<string, mixed> */
    private function rule(): array
    {
        $schema = self::schema();
        $schema['properties']['steps'] = ['type' => 'array', 'minItems' => 1, 'maxItems' => 4, 'items' => ['$ref' => '#/$defs/step']];
        /** @var array<string, mixed> $rule */
        $rule = $this->make($schema, 'rule', 0);
        $earlier = [];
        array_walk_recursive($rule, function (mixed &$value, int|string $key) use (&$earlier): void {
            if ($key === 'id' && is_string($value) && str_starts_with($value, 'x')) {
                $earlier[] = $value;
            }
            $value = $key === 'to' && is_string($value) ? $earlier[mt_rand(0, max(0, count($earlier) - 2))] ?? 'x0' : $value;
        });

        return $rule;
    }

    /** @param  array<string, mixed>|true  $schema */
    private function make(array|bool $schema, string $key, int $depth): mixed
    {
        $schema = is_array($schema) ? $schema : [];
        if (isset($schema['$ref'])) {
            return $this->named(basename($schema['$ref']), $key, $depth);
        }
        if (isset($schema['const'])) {
            return $schema['const'];
        }
        if (isset($schema['enum'])) {
            return self::one((array) $schema['enum']);
        }
        if (isset($schema['oneOf']) && ! isset($schema['properties']['do'])) {
            /** @var array<string, mixed> $chosen */
            $chosen = self::one((array) $schema['oneOf']);
            foreach ($chosen['properties'] ?? [] as $name => $property) {
                $chosen['properties'][$name] = $property === true ? $schema['properties'][$name] : $property;
            }

            return $this->make(
                ['required' => array_values(array_unique([...$schema['required'] ?? [], ...$chosen['required'] ?? []]))] +
                    $chosen + ['type' => 'object'],
                $key,
                $depth,
            );
        }

        return match (is_array($schema['type'] ?? null) ? 'value' : $schema['type'] ?? 'object') {
            'object' => $this->object($schema, $depth),
            'array' => $this->list($schema, $key, $depth),
            'integer' => mt_rand(
                (int) ($schema['minimum'] ?? 0),
                min((int) ($schema['maximum'] ?? 100), (int) ($schema['minimum'] ?? 0) + 12),
            ),
            'number' => self::one([0, 5, 1000, 45.5, 12.25, -3, 2500000]),
            'boolean' => mt_rand(0, 1) === 1,
            'value' => self::one([...self::VALUES, 5, 7.5, true, false, 1000]),
            default => $this->text($schema, $key),
        };
    }

    private function named(string $def, string $key, int $depth): mixed
    {
        return match ($def) {
            'name' => $key === 'id' ? 'x'.(++$this->ids) : ($key === 'to' ? 'x1' : self::one(self::NAMES[$key] ?? ['some-name'])),
            'field' => self::one(self::PATHS),
            'label' => self::one(['member', 'newsletter', 'number to check', ...self::WORDS]),
            'words' => self::one(self::WORDS),
            'value' => self::one([...self::VALUES, 5, 7.5, true, false, 1000, -2]),
            'address' => self::one(['https://books.example/deals', 'http://a.example/?x=1&y=2', 'https://osierquay.example/spring.jpg']),
            'keyword' => self::one(['kayak', 'Level', 'water level', 'or', 'ja!', '5', 'to']),
            'time' => self::one(['09:00', '17:30', '00:00', '23:59']),
            'condition' => $depth > 5
                ? ['hours' => 'open']
                : $this->make($this->defs[mt_rand(0, 2) === 0 ? 'field_test' : 'condition'], $key, $depth + 1),
            'step' => $depth > 7
                ? ['id' => 'x'.++$this->ids, 'do' => 'end', 'outcome' => self::one(self::WORDS)]
                : $this->make($this->defs['step'], $key, $depth + 1),
            default => $this->make($this->defs[$def], $key, $depth + 1),
        };
    }

    /**
     * @param  array<string, mixed>  $schema
     * @return array<string, mixed>
     */
    private function object(array $schema, int $depth): array
    {
        $required = $schema['required'] ?? [];
        if (isset($schema['properties']['do'])) {
            array_push($required, ...isset($schema['oneOf']) ? ((array) self::one((array) $schema['oneOf']))['required'] ?? [] : []);
            $schema['properties'] = array_diff_key(
                $schema['properties'],
                array_diff_key(['wordings' => 1, 'pool' => 1], array_flip($required)),
            );
        }
        $made = [];
        foreach ($schema['properties'] ?? [] as $name => $property) {
            if (in_array($name, $required, true) || mt_rand(0, 99) < 40) {
                $made[$name] = $this->make($property, $name, $depth + 1);
            }
        }
        if (isset($schema['additionalProperties']) && is_array($schema['additionalProperties'])) {
            for ($i = mt_rand(1, 3); $i > 0; $i--) {
                $made[self::one(self::PATHS)] = $this->make($schema['additionalProperties'], 'set', $depth + 1);
            }
        }

        return $made === [] && ($schema['additionalProperties'] ?? true) === true && ! isset($schema['properties'])
            ? ['deal' => '{{ deal.title }}', 'n' => [1, 2.5, ['deep' => null]], 'won' => true]
            : $made;
    }

    /**
     * @param  array<string, mixed>  $schema
     * @return list<mixed>
     */
    private function list(array $schema, string $key, int $depth): array
    {
        $least = (int) ($schema['minItems'] ?? 0);
        $list = [];
        for ($i = mt_rand($least, min((int) ($schema['maxItems'] ?? 3), max($least, $depth > 4 ? 1 : 3))); $i > 0; $i--) {
            $list[] = $this->make($schema['items'] ?? [], $key, $depth + 1);
        }

        return $list;
    }

    /** @param  array<string, mixed>  $schema */
    private function text(array $schema, string $key): string
    {
        return match (true) {
            ($schema['format'] ?? '') === 'date' => self::one(['2026-03-01', '2026-10-31', '2027-01-31']),
            $key === 'text', $key === 'words', $key === 'unclear' => self::one(self::TEXTS),
            $key === 'at' => self::one(['2026-03-16T09:00', '2026-12-31T23:30']),
            $key === 'recurrence' => self::one(self::RECURRENCES),
            $key === 'email' => self::one([
                'tom@osierquay.example', 'mira@osierquay.example', 'desk@osierquay.example', 'o\'neil+x@sub.example.org',
            ]),
            $key === 'number' => self::one(['+447700900123', '+14165550110']),
            $key === 'keys', $key === 'lines' => self::one(['front-desk', 'workshop', 'news', 'made up']),
            $key === 'value' => self::one(['2026-03-03', '2026-03-03T10:00:00+01:00', '2025-12-31']),
            $key === 'name' => self::one(['A rule', '“Quoted”', 'Two: parts', ' spaced ']),
            default => self::one(self::WORDS),
        };
    }

    /**
     * @template T
     *
     * @param  array<array-key, T>  $list
     * @return T
     */
    private static function one(array $list): mixed
    {
        return array_values($list)[mt_rand(0, count($list) - 1)];
    }
}
