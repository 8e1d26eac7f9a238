<?php

declare(strict_types=1);

namespace Tests\Support;

use Linnet\Core\Document\Doc;
use Linnet\Core\Rehearsal\World;
use Linnet\Core\Time\WeeklyHours;

/** Builds small worlds on paper: the boathouse, with a few people and whatever happens to them. */
final class Worlds
{
    /** @param  array<string, mixed>  $document */
    private function __construct(private array $document)
    {
    }

    public static function boathouse(string $begins = '2026-03-02T08:00:00Z', string $ends = '2026-03-20T00:00:00Z'): self
    {
        /** @var list<array<string, mixed>> $types */
        $types = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/demo/record-types.json'), true, 16, JSON_THROW_ON_ERROR);
        $week = fn (string $from, string $to): array => ['week' => array_fill_keys(WeeklyHours::DAYS, [[$from, $to]])];

        return new self([
            'linnet_world' => 1, 'begins' => $begins, 'ends' => $ends,
            'business' => [
                'name' => 'Osier Quay Boathouse', 'country' => 'GB', 'zone' => 'Europe/London', 'install' => 'test',
                'link_base' => 'https://texts.example/l/', 'opening_hours' => $week('09:00', '18:00'),
                'tariff' => ['currency' => 'GBP', 'per_part' => ['GB' => 32_000, 'CA' => 9_000], 'elsewhere' => 90_000],
                'words' => ['opt_out' => ['STOP', 'QUIT'], 'opt_in' => ['START'], 'help' => ['HELP']],
                'policy' => [
                    'decent_hours' => ['service' => $week('08:00', '20:30'), 'marketing' => $week('09:00', '19:00')],
                    'same_text_seconds' => 3600,
                ],
            ],
            'types' => array_map(
                fn (array $type): array => array_intersect_key($type, [
                    'key' => 1, 'name' => 1, 'plural' => 1, 'person' => 1, 'person_noun' => 1, 'start' => 1, 'fields' => 1,
                ]),
                $types,
            ),
            'lines' => [
                ['key' => 'front-desk', 'name' => 'front desk', 'number' => '+447700900100'],
                ['key' => 'workshop', 'name' => 'workshop', 'number' => '+447700900101'],
            ],
            'staff' => [
                ['name' => 'Mira Okafor', 'email' => 'mira@osierquay.example', 'number' => '+447700900150'],
                ['name' => 'Tom Reyes', 'email' => 'tom@osierquay.example', 'number' => '+447700900151', 'texts_allowed' => false],
            ],
            'people' => [], 'records' => [], 'events' => [],
        ]);
    }

    /** @param  array<string, mixed>  $more */
    public function person(string $id, string $number, array $more = []): self
    {
        $this->document['people'][] = $more + ['id' => $id, 'first_name' => ucfirst($id), 'numbers' => [$number]];

        return $this;
    }

    /** @param  array<string, mixed>  $terms */
    public function line(string $key, array $terms): self
    {
        $i = (int) array_search($key, array_column($this->document['lines'], 'key'), true);
        $this->document['lines'][$i] = $terms + $this->document['lines'][$i];

        return $this;
    }

    /** @param  array<string, mixed>  $values */
    public function record(string $id, string $type, ?string $person, array $values): self
    {
        $this->document['records'][] = array_filter(['id' => $id, 'type' => $type, 'person' => $person]) + ['values' => $values];

        return $this;
    }

    /** @param  array<string, mixed>  $values */
    public function happens(string $at, string $id, string $type, ?string $person, array $values): self
    {
        return $this->event($at, 'record', array_filter(['id' => $id, 'type' => $type, 'person' => $person]) + ['values' => $values]);
    }

    public function call(string $at, string $id, string $person, string $line = '+447700900100'): self
    {
        return $this->happens($at, $id, 'call', $person, ['outcome' => 'missed', 'line' => $line, 'started_at' => $at]);
    }

    public function text(string $at, string $person, string $text, string $line = 'front-desk'): self
    {
        return $this->event($at, 'text', ['person' => $person, 'line' => $line, 'text' => $text]);
    }

    /** @param  list<string>  $kinds  what else happens does not */
    public function only(array $kinds): self
    {
        $events = array_filter($this->document['events'], fn (array $event): bool => in_array($event['what'], $kinds, true));
        $this->document['events'] = array_values($events);

        return $this;
    }

    /** @param  array<string, mixed>  $with */
    public function event(string $at, string $what, array $with): self
    {
        $this->document['events'][] = ['at' => $at, 'what' => $what] + $with;

        return $this;
    }

    /** @param  array<string, mixed>  $policy */
    public function policy(array $policy): self
    {
        $this->document['business']['policy'] = $policy + $this->document['business']['policy'];

        return $this;
    }

    /** @param  array<string, mixed>  $pace */
    public function pace(array $pace): self
    {
        $this->document['lines'][0]['pace'] = $pace;

        return $this;
    }

    /** Anything else a world can say, at its top. */
    public function with(string $key, mixed $value): self
    {
        $this->document[$key] = $value;

        return $this;
    }

    /** Something else about the business. */
    public function business(string $key, mixed $value): self
    {
        $this->document['business'][$key] = $value;

        return $this;
    }

    /** @return array<string, mixed> */
    public function document(): array
    {
        return $this->document;
    }

    public function build(): World
    {
        return World::read(Doc::of($this->document));
    }
}
