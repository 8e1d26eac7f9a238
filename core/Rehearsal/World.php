<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Problem;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Gate\Policy;
use Linnet\Core\InMemory\Configuration;
use Linnet\Core\InMemory\Sheet;
use Linnet\Core\Reason;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\Business;
use Linnet\Core\Record\Line;
use Linnet\Core\Record\Pace;
use Linnet\Core\Record\Person;
use Linnet\Core\Record\PersonNumber;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Record\Staff;
use Linnet\Core\Record\Tariff;
use Linnet\Core\Rule\Audience;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Text\Wording\Wording;
use Linnet\Core\Text\Wording\Wordings;
use Linnet\Core\Text\Words\ReservedWords;
use Linnet\Core\Time\Moment;
use Linnet\Core\Time\WeeklyHours;
use Linnet\Core\Time\WorkingDays;
use Linnet\Core\Time\Zone;

/** A small world on paper, version 1 (docs/formats/world-1.schema.json): who is there, and what happens when. */
final readonly class World
{
    public const VERSION = 1;

    /**
     * @param  list<WorldPerson>  $people
     * @param  list<WorldRecord>  $records  those there are when it begins
     * @param  list<WorldEvent>  $events  in the order of their moments
     * @param  list<Rule>  $rules  switched on besides the one that is rehearsed
     */
    private function __construct(
        public \DateTimeImmutable $begins,
        public \DateTimeImmutable $ends,
        public Configuration $configuration,
        public array $people,
        public array $records,
        public array $events,
        public array $rules,
    ) {
    }

    /** It as it begins: who is there, and what they have. */
    public function sheet(): Sheet
    {
        $sheet = new Sheet($this->configuration, $this->begins);
        foreach ($this->people as $i => $one) {
            $numbers = array_map(fn ($n): PersonNumber => new PersonNumber($n->e164, $n->country, $n->kind, $n->zones), $one->numbers);
            $called = is_string($one->own['first_name'] ?? null) ? $one->own['first_name'] : $one->key;
            $sheet->people[$i + 1] = new Person(
                $i + 1, $called, $one->own, $numbers, $one->zone, null, $one->tags, $one->lists,
                $numbers === [] ? null : $numbers[count($numbers) - 1], $one->line,
            );
            $sheet->personIds[$one->key] = $i + 1;
            foreach ($numbers as $number) {
                $sheet->consent[$number->e164] = ['optedOut' => $one->optedOut, 'optedIn' => $one->optedIn, 'mayHaveOptedOut' => false];
            }
        }
        foreach ($this->records as $record) {
            $person = $record->person === null ? null : $sheet->personIds[$record->person];
            $sheet->upsert($record->key, $record->type, $person, $sheet->withPerson($record->type, $person, $record->values));
        }

        return $sheet;
    }

    /** @throws Unreadable with everything that is wrong */
    public static function fromJson(string $json): self
    {
        return self::read(Doc::fromJson($json));
    }

    /** @throws Unreadable with everything that is wrong */
    public static function read(Doc $doc): self
    {
        $types = self::types($doc);
        $list = fn (string $key, callable $read): array => $doc->has($key) ? $doc->each($key, $read, 0, 100_000) : [];
        /**
         * @var array{int, null, \DateTimeImmutable, \DateTimeImmutable, array{Business, Policy, ReservedWords}, list<Staff>,
         * list<WorldPerson>, list<WorldRecord>, list<WorldEvent>, array<string, list<Wording>>, array<string, list<string>>, array<string,
         * bool>, array<string, Audience>, list<Rule>} $read
         */
        $read = $doc->gather([
            fn (): int => $doc->integer('linnet_world', self::VERSION, self::VERSION),
            function () use ($doc): null {
                $doc->allow(
                    'linnet_world', 'begins', 'ends', 'business', 'types', 'lines', 'staff', 'people', 'records', 'events', 'pools',
                    'codes', 'numbers', 'audiences', 'rules',
                );

                return null;
            },
            fn (): \DateTimeImmutable => Moment::read($doc, 'begins'),
            fn (): \DateTimeImmutable => Moment::read($doc, 'ends'),
            fn (): array => self::business($doc->object('business')),
            fn (): array => self::staff($doc),
            fn (): array => $list('people', WorldPerson::read(...)),
            fn (): array => $list('records', fn (Doc $record): WorldRecord => WorldRecord::read($record, $types)),
            fn (): array => $list('events', fn (Doc $event): WorldEvent => WorldEvent::read($event, $types)),
            fn (): array => self::named($doc, 'pools', fn (Doc $at, string $key): array => Wordings::list($at, $key)),
            fn (): array => self::named($doc, 'codes', fn (Doc $at, string $key): array => $at->texts($key, 0, 100_000, 40)),
            fn (): array => self::named($doc, 'numbers', fn (Doc $at, string $key): bool => $at->yesNo($key)),
            fn (): array => self::named($doc, 'audiences', fn (Doc $at, string $key): Audience => Audience::read($at->object($key))),
            fn (): array => $list('rules', Rule::read(...)),
        ]);
        [, , $begins, $ends, [$business, $policy, $words], $staff, $people, $records, $events, $pools, $codes] = $read;
        [11 => $alive, 12 => $audiences, 13 => $rules] = $read;
        usort($events, fn (WorldEvent $a, WorldEvent $b): int => $a->at <=> $b->at);
        if ($ends <= $begins || $ends->getTimestamp() - $begins->getTimestamp() > 5 * 366 * 86_400) {
            throw Unreadable::at("$doc->path.ends", 'ends_before_it_begins');
        }
        $lines = $doc->each('lines', fn (Doc $line): Line => self::line($line, $staff), 1, 200);
        self::checkNames($doc, $people, $records, $events, $lines);
        $lines = array_map(fn (Line $line, int $i): Line => $line->with(id: $i + 1), $lines, array_keys($lines));

        return new self(
            $begins, $ends,
            new Configuration(
                self::withOneWay($business, $lines), $policy, $words, $types, $lines, $staff, $pools, $codes, $alive, $audiences,
            ),
            $people, $records, $events, $rules,
        );
    }

    /** @param  list<Line>  $lines */
    private static function withOneWay(Business $business, array $lines): Business
    {
        foreach ($lines as $line) {
            if ($line->number !== null) {
                return $business->withOneWayStopLine("To hear no more, text STOP to $line->number.");
            }
        }

        return $business;
    }

    /** @return array{Business, Policy, ReservedWords} */
    private static function business(Doc $doc): array
    {
        $doc->allow(
            'name', 'country', 'zone', 'locale', 'opening_hours', 'holidays', 'leap_days_on', 'tariff', 'words', 'policy', 'install',
            'link_base',
        );
        $zone = $doc->text('zone', 60);
        if (! Zone::exists($zone)) {
            throw Unreadable::at("$doc->path.zone", 'zone_expected', ['written' => $zone]);
        }
        /** @var array{string, string, Tariff, WeeklyHours|null, WorkingDays, bool, Policy, ReservedWords} $read */
        $read = $doc->gather([
            fn (): string => $doc->text('name', 80),
            fn (): string => preg_match('/^[A-Z]{2}$/D', $doc->text('country', 2)) === 1
                ? $doc->text('country', 2)
                : throw Unreadable::at("$doc->path.country", 'country_expected'),
            fn (): Tariff => Tariff::read($doc->object('tariff')),
            fn (): ?WeeklyHours => $doc->has('opening_hours') ? WeeklyHours::read($doc->object('opening_hours')) : null,
            fn (): WorkingDays => WorkingDays::read($doc, 'holidays'),
            fn (): bool => $doc->has('leap_days_on') &&
                $doc->oneOf('leap_days_on', ['28_february' => fn (): bool => false, '1_march' => fn (): bool => true]),
            fn (): Policy => Policy::read($doc->object('policy')),
            fn (): ReservedWords => ReservedWords::read($doc->object('words')),
        ]);
        [$name, $country, $tariff, $opening, $working, $leap, $policy, $words] = $read;

        return [
            new Business(
                $name, $zone, 'Reply STOP to hear no more.', $tariff, $country, $doc->optionalText('locale', 20) ?? 'en_GB', $opening,
                $working, $leap, linkBase: $doc->has('link_base') ? $doc->webAddress('link_base') : 'https://links.example/l/',
                linkSalt: $doc->optionalText('install', 60) ?? '',
            ),
            $policy,
            $words,
        ];
    }

    /** @return array<string, RecordType> */
    private static function types(Doc $doc): array
    {
        $types = [];
        foreach ($doc->has('types') ? $doc->each('types', WorldType::read(...), 0, 100) : [] as $type) {
            $types[$type->key] = $type;
        }

        return $types + [RecordType::PERSON => new RecordType(RecordType::PERSON, 'Person', [])];
    }

    /** @return list<Staff> */
    private static function staff(Doc $doc): array
    {
        if (! $doc->has('staff')) {
            return [];
        }
        $staff = $doc->each('staff', function (Doc $one): Staff {
            $one->allow('name', 'email', 'number', 'texts_allowed');

            return new Staff(
                0, $one->text('name', 80), $one->text('email', 120), $one->optionalText('number', 20),
                ! $one->has('texts_allowed') || $one->yesNo('texts_allowed'),
            );
        },
            0,
            1000,
        );

        return array_map(
            fn (Staff $one, int $i): Staff => new Staff($i + 1, $one->name, $one->email, $one->number, $one->textsAllowed),
            $staff,
            array_keys($staff),
        );
    }

    /** @param  list<Staff>  $staff */
    private static function line(Doc $doc, array $staff): Line
    {
        $doc->allow('key', 'name', 'number', 'power', 'pace', 'staff', 'countries', 'hours', 'pool');
        $name = $doc->text('name', 40);
        $number = $doc->optionalText('number', 20);
        if ($number === null && ! Line::canBeName($name)) {
            throw Unreadable::at("$doc->path.name", 'no_sender_name', ['written' => $name]);
        }
        $owner = $doc->optionalText('staff', 120);
        $ids = array_column($staff, 'id', 'email');

        return new Line(
            0, $doc->name('key'), $name, $number,
            $doc->has('power') ? $doc->choice('power', ActivationState::class) : ActivationState::On,
            $doc->has('pace') ? Pace::read($doc->object('pace')) : new Pace,
            staffId: $owner === null ? null : $ids[$owner] ?? throw Unreadable::at("$doc->path.staff", 'nobody', ['written' => $owner]),
            countries: $doc->has('countries')
                ? $doc->each(
                    'countries',
                    fn (Doc $one): string => $one->self(
                        fn (mixed $v): ?string => is_string($v) && preg_match('/^[A-Z]{2}$/D', $v) === 1 ? $v : null,
                        'country_expected',
                    ),
                )
                : [],
            hours: $doc->has('hours') ? WeeklyHours::read($doc->object('hours')) : null,
            pool: $doc->optionalText('pool', 60),
        );
    }

    /**
     * @template T
     *
     * @param  callable(Doc, string): T  $read
     * @return array<string, T>
     */
    private static function named(Doc $doc, string $key, callable $read): array
    {
        if (! $doc->has($key)) {
            return [];
        }
        $at = $doc->object($key);
        $names = array_map(strval(...), array_keys(is_array($at->value) ? $at->value : []));

        return $at->gather(array_combine($names, array_map(fn (string $name): \Closure => fn (): mixed => $read($at, $name), $names)));
    }

    /**
     * Names that are used must be names of something.
     *
     * @param  list<WorldPerson>  $people
     * @param  list<WorldRecord>  $records
     * @param  list<WorldEvent>  $events
     * @param  list<Line>  $lines
     */
    private static function checkNames(Doc $doc, array $people, array $records, array $events, array $lines): void
    {
        $known = array_fill_keys(array_column($people, 'key'), true);
        $numbers = array_filter(array_column($lines, 'number', 'key'));
        $problems = [];
        foreach ($records as $i => $record) {
            if ($record->person !== null && ! isset($known[$record->person])) {
                $problems[] = new Problem("$doc->path.records[$i].person", new Reason('document.nobody', ['written' => $record->person]));
            }
        }
        foreach ($events as $event) {
            if ($event->person !== null && ! isset($known[$event->person])) {
                $problems[] = new Problem($event->path, new Reason('document.nobody', ['written' => $event->person]));
            }
            if ($event->kind === WorldEventKind::Text && ! isset($numbers[$event->key])) {
                $problems[] = new Problem($event->path, new Reason('document.no_line', ['written' => $event->key]));
            }
        }
        if ($problems !== []) {
            throw new Unreadable($problems);
        }
    }
}
