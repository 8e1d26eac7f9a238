<?php

declare(strict_types=1);

namespace Bench;

use Database\Seeders\DatabaseSeeder;
use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;
use Illuminate\Support\Facades\DB;

/** Every page of Linnet as an administrator opens it, over HTTP: how long each takes to answer, and how much it sends. */
final class Pages
{
    private const TIMES = 9;

    private readonly Client $http;

    public function __construct(string $url)
    {
        $this->http = new Client(['cookies' => new CookieJar, 'base_uri' => $url]);
        preg_match('/name="_token" value="([^"]+)"/', (string) $this->http->get('/log-in')->getBody(), $token);
        $this->http->post('/log-in', [
            'form_params' => ['_token' => $token[1] ?? '', 'email' => 'mira@osierquay.example', 'password' => DatabaseSeeder::PASSWORD],
        ]);
    }

    /**
     * @param  list<string>  $pages
     * @return array<string, array{float, float, int}> by page: milliseconds at the median and at worst, and kilobytes
     */
    public function measure(array $pages): array
    {
        $measured = [];
        foreach ($pages as $page) {
            $times = [];
            $bytes = 0;
            // The first look finds nothing in memory, and no template made.
            for ($i = 0; $i <= self::TIMES; $i++) {
                $began = hrtime(true);
                $bytes = strlen((string) $this->http->get($page)->getBody());
                $i === 0 ?: $times[] = (hrtime(true) - $began) / 1e6;
            }
            sort($times);
            $measured[$page] = [$times[intdiv(self::TIMES, 2)], $times[self::TIMES - 1], intdiv($bytes, 1024)];
        }

        return $measured;
    }

    /** The rule that sends most. */
    public static function rule(): int
    {
        return self::busiest('messages', 'rule_id');
    }

    private static function busiest(string $table, string $by): int
    {
        $most = DB::table($table)->whereNotNull($by)->groupBy($by)->orderByRaw('count(*) desc');

        return (int) $most->value($by);
    }

    /** @return list<string> of every kind of page one or more, the busiest of those there are */
    public static function all(): array
    {
        $rule = self::rule();
        $person = self::busiest('messages', 'person_id');
        $text = (int) DB::table('messages')->where('rule_id', $rule)->where('state', 'arrived')->max('id');
        $conversation = self::busiest('messages', 'conversation_id');
        $record = DB::table('records')->join('record_types', 'record_types.id', '=', 'records.record_type_id')->where('key', 'booking')
            ->max('records.id');
        // A season that is lived through without HTTP has had no deliveries.
        $delivery = DB::table('deliveries')->max('id');
        $deliveries = $delivery === null ? [] : [
            '/sources/'.DB::table('sources')->where('id', DB::table('deliveries')->where('id', $delivery)->value('source_id'))->value('key')
                ."/deliveries/$delivery",
        ];

        return [
            '/today', '/rules', '/rules?power=on&order=newest', '/rules/new', '/starters', "/rules/$rule", "/rules/$rule/runs",
            "/rules/$rule/runs?state=ended", "/rules/$rule/results", "/rules/$rule/results?days=90",
            "/rules/$rule/answers?days=90", "/rules/$rule/versions",
            '/results', "/rules/$rule/rehearsal", ...self::rehearsed($rule),
            "/rules/$rule/checks", "/rules/$rule/agreement", "/rules/$rule/starts", "/rules/$rule/trial", '/conversations',
            '/conversations?find=ann', "/conversations/$conversation", '/people', '/people?find=an', '/people?page=300', "/people/$person",
            "/people/$person/edit", "/people/$person/why-not?rule=$rule", '/audiences', '/audiences/1', '/audiences/2',
            '/audiences/1/count', '/audiences/2/count', '/several', '/several/1', '/several/1/people',
            '/people?audience=2', '/people?label=tag:member', "/people/$person?story=rules", "/people/$person/merge", '/people/twice', '/people/twice/list?by=number',
            '/people/twice/list?by=name',
            "/people/$person/write", '/records/booking?audience=1', '/records/booking?audience=2', '/safeguards/did/hours', '/keywords',
            '/tasks', '/settings/forms/hire',
            '/records', '/records/booking', '/records/booking/board',
            '/records/booking/calendar', "/records/booking/$record",
            '/records/booking?order=title&page=200', '/ahead', '/ahead?show=all', '/sent',
            '/sent?state=failed', '/sent?state=dropped', "/sent?rule=$rule",
            '/sent?page=400', '/sent?find=quay', '/sent?reason=stop.replied', "/sent/$text", "/sent/totals?rule=$rule&state=left",
            "/rules/$rule/batch", '/sources', '/sources/phone', '/sources/phone/mapping', '/sources/phone/settings',
            '/imports', '/lines', '/lines/1', '/safeguards', '/safeguards/drawn', '/safeguards/consent', "/words/fields?person=$person",
            '/settings', '/settings/forms', '/settings/wordings', '/settings/wordings/water-level', '/settings/record-types/booking',
            '/api', ...$deliveries,
        ];
    }

    /** @return list<string> the lists behind the numbers of a rehearsal */
    private static function rehearsed(int $rule): array
    {
        $rehearsal = (int) DB::table('rehearsals')->max('id');
        $run = (int) DB::table('rehearsed_texts')->whereNotNull('run')->value('run');
        $rows = "/rules/$rule/rehearsal/$rehearsal";

        return [
            "$rows/rows", "$rows/rows?what=people", "$rows/rows?what=held", "$rows/rows?what=not_begun", "$rows/rows?what=runs",
            "$rows/runs/published/$run",
        ];
    }
}
