<?php

declare(strict_types=1);

namespace Tests\Support;

use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\RecordType;

/** Names of what the boathouse has, so that something comes of a rule: few of each, that rules, records and people meet. */
final readonly class BoathouseNames implements Names
{
    public const WORDS = ['yes', 'no', 'kayak', 'later', 'ja', 'lessons please', 'kayka', 'Y'];

    public const LABELS = ['member', 'newsletter'];

    private const TYPES = ['booking', 'booking', 'booking', 'deal', 'basket', 'invoice', 'job', 'order', 'call', 'service_plan', 'person'];

    private const TEXTS = [
        'Hello {{ first_name | or: "there" }}.', 'Hello {{ first_name }}.', 'The boathouse.', 'You said “{{ remark | or: "nothing" }}”.',
        'Your {{ answer | or: "silence" }}: {{ said | or: "none" }}.', 'Yours: {{ code: "welcome" }}', '{{ pick: "Swans" / "Swallows" }} today.',
        'We are on the quay – come by 🛶', 'Yours, {{ owner.first_name | or: "the quay" }}.', 'In {{ town }}?',
    ];

    /**
     * @param  array<string, RecordType>  $types
     * @param  list<string>  $rules  the keys of those there are
     * @param  \DateTimeImmutable  $from  when the world begins
     */
    public function __construct(private array $types, private array $rules, private \DateTimeImmutable $from)
    {
    }

    public function part(string $part, string $key, string $type, array $beside): mixed
    {
        return match ($part) {
            'name' => match ($key) {
                'type', 'of' => Chance::one(self::TYPES),
                'related' => Chance::one(array_diff(self::TYPES, ['person'])),
                'form' => 'hire',
                'rule', 'of_rule' => Chance::one($this->rules),
                'pool' => 'water-level',
                'key' => Chance::one(['front-desk', 'workshop', 'news']),
                'field' => $this->key($type, ($beside['on'] ?? '') === 'date_reached' ? [FieldKind::Date, FieldKind::DateTime] : []),
                default => 'some-name',
            },
            'field' => $this->path($type, match ($key) {
                'date' => [FieldKind::Date, FieldKind::DateTime],
                'value' => [FieldKind::Number, FieldKind::Money],
                'field' => match ($beside['who'] ?? '') {
                    'staff_field' => [FieldKind::Staff],
                    'person_field' => [FieldKind::Person],
                    default => [],
                },
                default => [],
            }),
            'field_test' => Chance::is(85) ? $this->test($type) : null,
            'label' => Chance::one(match ($key) {
                'audience' => ['Regulars', 'Soon', 'Nobody knows it'],
                'called' => ['Desks', 'Desks', 'Nobody knows it'],
                default => self::LABELS,
            }),
            'keyword' => Chance::one(self::WORDS),
            'value' => $this->value($type, $beside['field'] ?? '') ?? Chance::one(['Acle', 'Osier', 5, true]),
            'span' => self::span(),
            'offset' => self::offset(),
            'time' => Chance::one(['09:00', '17:30', '00:00', '02:30']),
            'address' => 'https://books.example/deals',
            'words' => Chance::one(['a word', 'Bo', 'Acle', 'o']),
            default => null,
        };
    }

    public function text(string $key, string $type): string
    {
        return Chance::one(match ($key) {
            'first', 'last', 'day' => [$this->day(3), $this->day(12), $this->day(20)],
            'text', 'words', 'unclear' => [...self::TEXTS, ...$this->textsOf($type)],
            'at' => [$this->day(2).'T09:00', $this->day(6).'T02:30', $this->day(13).'T23:30'],
            'recurrence' => [
                'FREQ=DAILY', 'FREQ=WEEKLY;BYDAY=MO,TH', 'FREQ=MONTHLY;BYDAY=1MO', 'FREQ=DAILY;INTERVAL=3;COUNT=4',
                'FREQ=HOURLY;INTERVAL=18',
            ],
            'email' => ['tom@osierquay.example', 'mira@osierquay.example', 'nobody@osierquay.example'],
            'number' => ['+447700900150', '+14165550110'],
            'keys', 'lines' => ['front-desk', 'workshop', 'news'],
            'value' => [$this->day(5), $this->day(9).'T10:00:00+01:00'],
            'name' => ['A rule'],
            default => ['done', 'over'],
        });
    }

    public function setting(string $type): array
    {
        $about = Chance::is(70) ? $type : Chance::one(self::TYPES);
        $key = $this->key($about, []);

        return ["$about.$key", Chance::is(90) ? $this->value($about, $key) : null];
    }

    /** What keeps a rule from doing anything is there less often. */
    public function often(string $key): int
    {
        return match ($key) {
            'days', 'release', 'conditions', 'while', 'condition', 'if_late' => 10,
            'examples', 'folder' => 0,
            default => 40,
        };
    }

    public function most(string $key): int
    {
        return match ($key) {
            'times', 'most' => 2,
            default => 12,
        };
    }

    /** One of the values a field may have: the first or the last of its choices, or one of few numbers, days and words. */
    public function value(string $type, string $key): string|int|float|bool|null
    {
        $field = $this->types[$type]->fields[$key] ?? null;

        return match ($field?->kind) {
            FieldKind::Choice => Chance::one($field->options),
            FieldKind::Number, FieldKind::Money => Chance::one([0, 2, 45, 600, 12.5]),
            FieldKind::YesNo => Chance::is(50),
            FieldKind::Date => $this->day(mt_rand(-3, 24)),
            FieldKind::DateTime => $this->day(mt_rand(-1, 24)).'T'.Chance::one(['00:30', '09:00', '14:00']).':00Z',
            FieldKind::Staff => Chance::one([1, 2]),
            FieldKind::Text, FieldKind::LongText => Chance::one(['Acle', 'Osier', 'Bo']),
            default => null,
        };
    }

    /** A date so many days after the world begins. */
    public function day(int $after): string
    {
        return $this->from->modify("$after days")->format('Y-m-d');
    }

    /** @return array<string, mixed> */
    private function test(string $type): array
    {
        $path = $this->path($type, []);
        [$about, $key] = [...array_pad(explode('.', $path), -2, RecordType::PERSON)];
        $value = $this->value($about, $key);
        $is = ['field' => $path, 'test' => Chance::one(['is', 'is_not']), 'value' => $value ?? 'Acle'];

        return match (($this->types[$about]->fields[$key] ?? null)?->kind) {
            FieldKind::Date, FieldKind::DateTime => Chance::one([
                ['field' => $path, 'test' => Chance::one(['before', 'after']), 'value' => $this->day(mt_rand(0, 20))],
                ['field' => $path, 'test' => Chance::one(['within_next', 'within_last']), 'value' => mt_rand(0, 9)],
                ['field' => $path, 'test' => 'weekday', 'value' => [Chance::one(['mon', 'sat']), Chance::one(['tue', 'thu', 'fri'])]],
                ['field' => $path, 'test' => Chance::one(['today', 'empty', 'filled'])],
            ]),
            FieldKind::Number, FieldKind::Money => Chance::one([
                $is,
                ['field' => $path, 'test' => Chance::one(['more', 'less']), 'value' => 45],
                ['field' => $path, 'test' => 'between', 'value' => [1, 60]],
            ]),
            default => Chance::one([
                $is, $is,
                ['field' => $path, 'test' => 'one_of', 'value' => [$value ?? 'Bo', 'Acle']],
                ['field' => $path, 'test' => Chance::one(['contains', 'begins_with']), 'value' => Chance::one(['b', 'o', 'sent'])],
                ['field' => $path, 'test' => Chance::one(['empty', 'filled'])],
            ]),
        };
    }

    /** @param  list<FieldKind>  $kinds  any if empty */
    private function path(string $type, array $kinds): string
    {
        if ($kinds === [] && Chance::is(25)) {
            return Chance::one(['first_name', 'last_name', 'town', 'member_since', 'remark', 'owner.first_name']);
        }
        $about = Chance::is(90) ? $type : Chance::one(self::TYPES);
        $key = $this->key($about, $kinds);

        return $about === RecordType::PERSON ? $key : "$about.$key";
    }

    /** @param  list<FieldKind>  $kinds  any if empty */
    private function key(string $type, array $kinds): string
    {
        $keys = [];
        foreach ($this->types[$type]->fields as $key => $field) {
            $likely = $field->kind === FieldKind::Choice ? 4 : 1;
            // What leads to a record or a person can hold no words.
            $leads = in_array($field->kind, [FieldKind::Record, FieldKind::Person], true);
            $isMeant = $kinds === [] ? ! $leads : in_array($field->kind, $kinds, true);
            array_push($keys, ...array_fill(0, $isMeant ? $likely : 0, $key));
        }

        return $keys === [] ? 'member_since' : Chance::one($keys);
    }

    /** @return list<string> */
    private function textsOf(string $type): array
    {
        $texts = [];
        foreach ($type === RecordType::PERSON ? [] : $this->types[$type]->fields as $key => $field) {
            $texts[] = match ($field->kind) {
                FieldKind::Date => "On {{ $type.$key | as: \"date\" }}.",
                FieldKind::DateTime => "On {{ $type.$key | as: \"weekday time\" }}, {{ $type.$key | as: \"relative day\" }}.",
                FieldKind::Money => "For {{ $type.$key | as: \"money\" | or: \"nothing\" }}.",
                FieldKind::Link => "See {{ link: $type.$key }}",
                FieldKind::Staff => "With {{ $type.$key.first_name | or: \"us\" }}.",
                FieldKind::Person => 'Yours.',
                default => "It is {{ $type.$key | or: \"so\" }}.",
            };
        }

        return $texts;
    }

    /** @return array{amount: int, unit: string} */
    private static function span(): array
    {
        [$unit, $most] = Chance::one([
            ['minutes', 600], ['minutes', 20], ['hours', 48], ['hours', 6], ['days', 6], ['days', 3], ['weeks', 1], ['working_days', 4],
            ['months', 1],
        ]);

        return ['amount' => mt_rand(0, $most), 'unit' => $unit];
    }

    /** @return array<string, mixed> */
    private static function offset(): array
    {
        $span = self::span();
        $pinned = ! in_array($span['unit'], ['minutes', 'hours'], true) && Chance::is(60);

        return $span + ['side' => Chance::one(['before', 'after'])]
            + ($pinned ? ['time' => Chance::one(['09:00', '17:30', '00:00', '02:30'])] : [])
            + (Chance::is(50) ? ['clock' => Chance::one(['theirs', 'ours'])] : []);
    }
}
