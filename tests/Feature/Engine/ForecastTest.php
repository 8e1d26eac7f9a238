<?php

declare(strict_types=1);

namespace Tests\Feature\Engine;

use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Forecast\SheetReader;
use App\Models\MessageOrigin;
use App\Models\Person;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Forecast\ComingText;
use Linnet\Core\Forecast\Forecast;
use PHPUnit\Framework\Attributes\DataProvider;
use Psr\Clock\ClockInterface;
use Tests\Feature\TownTestCase;
use Tests\Support\LiveWorld;
use Tests\Support\RandomWorlds;

/** What lies ahead comes as it was said, where nobody answers and nothing changes. WORLDS=1-1000 says which worlds made by chance. */
final class ForecastTest extends TownTestCase
{
    private const AT_ONCE = 20;

    /** @return iterable<string, array{int, int}> */
    public static function worlds(): iterable
    {
        [$first, $last] = explode('-', getenv('WORLDS') ?: (getenv('DB_CONNECTION') === 'pgsql' ? '1-2' : '1-3'));
        for ($from = (int) $first; $from <= (int) $last; $from += self::AT_ONCE) {
            $to = min($from + self::AT_ONCE - 1, (int) $last);
            yield "worlds $from to $to" => [$from, $to];
        }
    }

    #[DataProvider('worlds')]
    public function testWorldsMadeByChance(int $from, int $to): void
    {
        $this->town->standins->behave('no_keys', true);
        config(['app.url' => 'https://texts.example']);
        $differ = [];
        $many = 0;
        for ($seed = $from; $seed <= $to; $seed++) {
            [$worlds, $rules] = RandomWorlds::of($seed);
            $world = $worlds->build();
            $now = $world->events[intdiv(count($world->events), 3)]->at;
            $ahead = [];
            (new LiveWorld(
                $world,
                $worlds->document(),
                fn (\DateTimeImmutable $at) => $this->town->clockTo($at->format('Y-m-d\TH:i:s\Z')),
            ))->live($rules, $now, function () use (&$ahead, $world): void {
                $ahead = $this->ahead($world->ends);
            });
            $lived = $this->lived($now, $world->ends);
            $many += count($lived);
            if ($ahead !== $lived) {
                $differ["world $seed"] = ['said' => array_diff($ahead, $lived), 'came' => array_diff($lived, $ahead)];
            }
            gc_collect_cycles();
        }
        self::assertSame([], $differ);
        self::assertGreaterThan(intdiv($to - $from, 2), $many);
    }

    /** @return list<string> */
    private function ahead(\DateTimeImmutable $until): array
    {
        // As the next request would find it: each world has a business of its own.
        app()->forgetScopedInstances();
        $unit = UnitOfWork::reading(resolve(ClockInterface::class)->now(), resolve(DatabaseSideEffects::class));
        $people = array_values(array_map(intval(...), Person::query()->orderBy('id')->pluck('id')->all()));
        $coming = array_filter(
            Forecast::of((new SheetReader($unit))->of($people), $until),
            fn (ComingText $one): bool => $one->leavesAt !== null && $one->leavesAt <= $until,
        );
        $texts = array_values(array_map(fn (ComingText $one): string => implode(' | ', [
            $one->leavesAt?->format('m-d H:i:s'), $one->text->run?->rule->key, $one->text->run?->subject->name(), $one->text->name,
            $one->text->to->number, $one->text->line, $one->text->composed?->body, $one->text->composed?->price,
        ]), $coming));
        sort($texts);

        return $texts;
    }

    /** @return list<string> what left since */
    private function lived(\DateTimeImmutable $since, \DateTimeImmutable $until): array
    {
        $texts = DB::table('messages')
            ->join('runs', 'runs.id', '=', 'messages.run_id')
            ->join('rules', 'rules.id', '=', 'messages.rule_id')
            ->join('lines', 'lines.id', '=', 'messages.line_id')
            ->where('messages.origin', MessageOrigin::Rule->value)
            ->where('left_at', '>', $since->format('Y-m-d H:i:s'))
            ->where('left_at', '<=', $until->format('Y-m-d H:i:s'))
            ->get(['messages.*', 'rules.key as rule_key', 'runs.record_id', 'runs.id as run_number', 'lines.key as line_key'])
            ->map(fn (\stdClass $row): string => implode(' | ', [
                substr((string) $row->left_at, 5), $row->rule_key,
                $row->record_id === null ? "person:$row->person_id" : "record:$row->record_id",
                substr((string) $row->name, strlen("$row->run_number/")), $row->number, $row->line_key, $row->body, $row->price_micros,
            ]))
            ->all();
        sort($texts);

        return $texts;
    }
}
