<?php

declare(strict_types=1);

namespace Bench\Commands;

use App\Models\Record;
use App\Models\RecordType;
use App\Models\Rule;
use Bench\Town;
use Database\Seeders\DatabaseSeeder;
use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Psr\Http\Message\ResponseInterface;

/** What writing a rule is held to, measured on this machine in a business of 400 people, over HTTP. */
final class BenchWriting extends Command
{
    private const PEOPLE = 400;

    private const EDITS = 60;

    private const MANY = 100_000;

    private const HALVES = [
        '', 'wait', 'wait until 20 minutes before', 'text the guest from', 'go on only if its', 'if they have a booking whose start',
        'set the', 'notify',
    ];

    protected $signature = 'linnet:bench-writing';

    protected $description = 'Measure the writing of rules';

    protected $hidden = true;

    public function handle(): int
    {
        $town = new Town('bench-writing');
        try {
            $town->run(['php', 'artisan', 'linnet:rules', 'import', 'demo/rules']);
            self::seed();
            $town->serve();
            $http = new Client(['cookies' => new CookieJar, 'base_uri' => $town->url]);
            $token = self::token($http->get('/log-in'));
            $http->post('/log-in', [
                'form_params' => ['_token' => $token, 'email' => 'mira@osierquay.example', 'password' => DatabaseSeeder::PASSWORD],
            ]);
            $rule = Rule::query()->where('key', 'booking-confirmed')->firstOrFail();
            $sample = (int) Record::query()
                ->where('record_type_id', fn ($types) => $types->select('id')->from('record_types')->where('key', 'booking'))
                ->max('id');
            $completions = $this->completions($http, $rule->id, $sample);
            [$edits, $checks] = $this->edits($http, $rule->id, $sample);
            self::fillMany();
            $bounds = $this->bounds($http, $rule->id);
        } finally {
            $town->close();
        }
        $this->row('what may come next in a line', $completions, 'p95 under 50 ms');
        $this->row('an edit, with its sentences and time line', $edits, 'p95 under 150 ms');
        $this->row('its checks, over those it reaches', $checks, 'with the edit p95 under 150 ms');

        $this->row('how long a text is over '.number_format(self::MANY), $bounds, 'within 2,000 ms');

        return self::at($completions, 0.95) < 50 && self::at($edits, 0.95) + self::at($checks, 0.95) < 150 && self::at($bounds, 0.95) < 2000
            ? self::SUCCESS
            : self::FAILURE;
    }

    /** 400 people with a booking each that came in during the last four weeks. */
    private static function seed(): void
    {
        $type = RecordType::query()->where('key', 'booking')->firstOrFail();
        $at = '2026-02-20 10:00:00';
        for ($i = 0; $i < self::PEOPLE; $i++) {
            $person = DB::table('people')->insertGetId([
                'first_name' => $i % 9 === 0 ? null : "Ann$i", 'last_name' => 'Bench', 'fields' => '{}', 'added_at' => $at,
            ]);
            DB::table('numbers')->insert([
                'person_id' => $person, 'e164' => sprintf('+44770091%04d', $i), 'country' => 'GB', 'kind' => 'mobile',
                'zones' => '["Europe/London"]', 'rank' => 0,
            ]);
            $values = [
                'who' => $person, 'lesson' => 'Beginners’ kayak lesson', 'state' => 'booked',
                'starts_at' => sprintf('2026-03-%02dT10:00:00Z', 3 + ($i % 25)),
                'ends_at' => sprintf('2026-03-%02dT12:00:00Z', 3 + ($i % 25)), 'price' => 45, 'places' => 2,
            ];
            $record = DB::table('records')->insertGetId([
                'record_type_id' => $type->id, 'person_id' => $person, 'external_id' => "bench-$i", 'values' => json_encode($values),
                'title' => 'beginners’ kayak lesson', 'added_at' => $at, 'changed_at' => $at,
            ]);
            DB::table('changes')->insert([
                'kind' => 'record_added', 'record_id' => $record, 'person_id' => $person, 'from' => '{}', 'to' => json_encode($values),
                'at' => $at, 'handled' => 1, 'way' => 'hand',
            ]);
        }
    }

    /** Many more, with a booking each: different names, lessons, dates and hours. */
    private static function fillMany(): void
    {
        $type = RecordType::query()->where('key', 'booking')->firstOrFail();
        $at = '2026-02-20 10:00:00';
        $from = (int) DB::table('people')->max('id');
        for ($i = 0; $i < self::MANY; $i += 500) {
            $people = $numbers = $records = [];
            for ($n = $i; $n < $i + 500; $n++) {
                $person = $from + 1 + $n;
                $people[] = [
                    'id' => $person, 'first_name' => $n % 9 === 0 ? null : 'Ann'.$n % 4000, 'last_name' => "Bench$n", 'fields' => '{}',
                    'added_at' => $at,
                ];
                $numbers[] = [
                    'person_id' => $person, 'e164' => sprintf('+4477%08d', $n), 'country' => 'GB', 'kind' => 'mobile',
                    'zones' => '["Europe/London"]', 'rank' => 0,
                ];
                $starts = sprintf('2026-%02d-%02dT%02d:%02d:00Z', 3 + ($n % 9), 1 + ($n % 28), 8 + ($n % 10), 15 * ($n % 4));
                $values = json_encode([
                    'who' => $person, 'lesson' => 'Lesson '.$n % 40, 'state' => 'booked', 'starts_at' => $starts, 'price' => 45,
                ]);
                $records[] = [
                    'record_type_id' => $type->id, 'person_id' => $person, 'external_id' => "many-$n", 'values' => $values,
                    'title' => 'lesson', 'added_at' => $at, 'changed_at' => $at,
                ];
            }
            DB::transaction(function () use ($people, $numbers, $records, $type, $at, $i): void {
                DB::table('people')->insert($people);
                DB::table('numbers')->insert($numbers);
                DB::table('records')->insert($records);
                $ids = DB::table('records')
                    ->where('record_type_id', $type->id)
                    ->where('external_id', '>=', 'many-')
                    ->orderByDesc('id')
                    ->limit(500)
                    ->get(['id', 'person_id']);
                DB::table('changes')->insert(
                    $i > 2000
                        ? []
                        : $ids
                            ->map(
                                fn (\stdClass $record): array => [
                                    'kind' => 'record_added', 'record_id' => $record->id, 'person_id' => $record->person_id, 'from' => '{}',
                                    'to' => '{}', 'at' => $at, 'handled' => 1, 'way' => 'hand',
                                ],
                            )
                            ->all(),
                );
            });
        }
    }

    /** @return list<float> milliseconds each, in order of length */
    private function bounds(Client $http, int $rule): array
    {
        $token = self::found('/name="_token" value="([^"]+)"/', (string) $http->get("/rules/$rule")->getBody());
        $times = [];
        for ($i = 0; $i < 10; $i++) {
            $began = hrtime(true);
            $said = (string) $http
                ->post("/rules/$rule/words/bounds", [
                    'headers' => ['HX-Request' => 'true'],
                    'form_params' => [
                        '_token' => $token,
                        'step' => 'confirm',
                        'text' => "Hello {{ first_name | or: \"there\" }}, $i: {{ booking.lesson }} on {{ booking.starts_at | as: \"weekday time\" }}. See you on the quay.",
                    ],
                ])
                ->getBody();
            $times[] = (hrtime(true) - $began) / 1e6;
            if (! str_contains($said, number_format(self::MANY + self::PEOPLE))) {
                throw new \RuntimeException("They were not counted: $said");
            }
        }
        sort($times);

        return $times;
    }

    /** @return list<float> milliseconds each, in order of length */
    private function completions(Client $http, int $rule, int $sample): array
    {
        $times = [];
        for ($i = 0; $i < 12 * count(self::HALVES); $i++) {
            $began = hrtime(true);
            $http->get("/rules/$rule/completions", [
                'query' => ['which' => 'steps:1', 'text' => self::HALVES[$i % count(self::HALVES)], 'sample' => $sample],
            ]);
            $times[] = (hrtime(true) - $began) / 1e6;
        }
        sort($times);

        return $times;
    }

    /** @return array{list<float>, list<float>} milliseconds each, of edits and of checks, in order of length */
    private function edits(Client $http, int $rule, int $sample): array
    {
        $edits = $checks = [];
        $page = (string) $http->get("/rules/$rule", ['query' => ['sample' => $sample]])->getBody();
        $token = self::found('/name="_token" value="([^"]+)"/', $page);
        for ($i = 0; $i < self::EDITS; $i++) {
            $began = hrtime(true);
            $page = (string) $http
                ->post("/rules/$rule/sentences", [
                    'query' => ['sample' => $sample],
                    'headers' => ['HX-Request' => 'true'],
                    'form_params' => [
                        '_token' => $token, 'do' => $i % 2 === 0 ? 'insert' : 'remove', 'line' => 3, 'depth' => 1,
                        'base' => self::found('/name="base" value="(\d+)"/', $page), 'text' => 'wait until 20 minutes before the start',
                    ],
                ])
                ->getBody();
            $edits[] = (hrtime(true) - $began) / 1e6;
            $began = hrtime(true);
            $http->get("/rules/$rule/checks");
            $checks[] = (hrtime(true) - $began) / 1e6;
        }
        sort($edits);
        sort($checks);

        return [$edits, $checks];
    }

    private static function token(ResponseInterface $response): string
    {
        return self::found('/name="_token" value="([^"]+)"/', (string) $response->getBody());
    }

    private static function found(string $pattern, string $text): string
    {
        return preg_match($pattern, $text, $part) === 1 ? $part[1] : throw new \RuntimeException("$pattern is not on the page.");
    }

    /** @param  list<float>  $sorted */
    private static function at(array $sorted, float $share): float
    {
        return $sorted[max(0, (int) ceil(count($sorted) * $share) - 1)];
    }

    /** @param  list<float>  $times */
    private function row(string $what, array $times, string $goal): void
    {
        $this->line(
            sprintf('%-46s %-52s %s', $what, sprintf('p50 %.0f ms, p95 %.0f ms', self::at($times, 0.5), self::at($times, 0.95)), $goal),
        );
    }
}
