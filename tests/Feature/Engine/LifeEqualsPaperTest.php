<?php

declare(strict_types=1);

namespace Tests\Feature\Engine;

use App\Models\MessageOrigin;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\Run;
use Linnet\Core\Engine\TextState;
use Linnet\Core\Rehearsal\Rehearsal;
use Linnet\Core\Rehearsal\RehearsalResult;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\TownTestCase;
use Tests\Support\LiveWorld;
use Tests\Support\RandomWorlds;

/**
 * What is rehearsed on paper happens in life: the same runs, and the same texts at the same moments, and the carrier's ledger agrees.
 * WORLDS=1-1000 says which worlds made by chance.
 */
final class LifeEqualsPaperTest extends TownTestCase
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
        // Else it refuses the same text twice by itself.
        $this->town->standins->behave('no_keys', true);
        config(['app.url' => 'https://texts.example']);
        $taken = 0;
        $differ = [];
        for ($seed = $from; $seed <= $to; $seed++) {
            [$worlds, $rules] = RandomWorlds::of($seed);
            $world = $worlds->build();
            $paper = Rehearsal::of($world, $rules);
            (new LiveWorld(
                $world,
                $worlds->document(),
                fn (\DateTimeImmutable $at) => $this->town->clockTo($at->format('Y-m-d\TH:i:s\Z')),
            ))->live($rules);

            $ledger = array_slice($this->town->standins->ledger(), $taken);
            $taken += count($ledger);
            $carried = array_map(fn (array $one): string => "carried | {$one['to']} {$one['text']}", $ledger);
            $written = $this->onPaper($paper);
            $lived = [...$this->inLife(), ...$this->sorted($carried)];
            if ($written !== $lived) {
                $differ["world $seed"] = ['on paper' => array_diff($written, $lived), 'in life' => array_diff($lived, $written)];
            }
            gc_collect_cycles();
        }
        self::assertSame([], $differ);
        self::assertGreaterThan(2 * ($to - $from), $taken);
    }

    /** @return list<string> */
    private function onPaper(RehearsalResult $lived): array
    {
        $texts = array_map(
            fn (OutText $text): string => implode(' | ', [
                $text->run?->rule->key, $text->run?->subject->name(), $text->name, $text->to->number,
                // One that was never written left from nowhere.
                $text->composed === null ? '' : $text->line, $text->state->value,
                $text->wantedAt->format('m-d H:i:s'), $text->state === TextState::Left ? $text->settledAt?->format('m-d H:i:s') : '',
                $text->composed->body ?? '', $text->composed->price ?? 0, $text->reason->code ?? '',
            ]),
            $lived->texts(),
        );
        $runs = array_map(
            fn (Run $run): string => implode(' | ', [
                'run', $run->rule->key, $run->subject->name(), $run->state->beganAt->format('m-d H:i:s'), $run->state->step,
                $run->state->round, $run->state->outcome,
            ]),
            $lived->runs(),
        );
        // Beside the rules' texts, the answers that STOP, START and HELP are owed.
        $answers = DB::table('messages')
            ->where('origin', MessageOrigin::Words->value)
            ->get()
            ->map(fn (\stdClass $row): string => "carried | $row->number $row->body")
            ->all();
        $sent = array_map(fn (OutText $text): string => "carried | {$text->to->number} {$text->composed?->body}", $lived->sent());

        return [...$this->sorted($texts), ...$this->sorted($runs), ...$this->sorted([...$sent, ...$answers])];
    }

    /** @return list<string> */
    private function inLife(): array
    {
        $texts = DB::table('messages')
            ->join('runs', 'runs.id', '=', 'messages.run_id')
            ->join('rules', 'rules.id', '=', 'messages.rule_id')
            ->join('lines', 'lines.id', '=', 'messages.line_id')
            ->get(['messages.*', 'rules.key as rule_key', 'runs.record_id', 'runs.id as run_number', 'lines.key as line_key'])
            ->map(function (\stdClass $row): string {
                $reason = $row->reason === null ? '' : json_decode((string) $row->reason, true, 16, JSON_THROW_ON_ERROR)['code'];

                return implode(' | ', [
                    $row->rule_key, self::about($row), substr((string) $row->name, strlen("$row->run_number/")), $row->number,
                    $row->body === '' ? '' : $row->line_key,
                    in_array($row->state, ['ready', 'handed', 'arrived', 'failed'], true) ? 'left' : $row->state,
                    substr((string) $row->wanted_at, 5), $row->left_at === null ? '' : substr((string) $row->left_at, 5), $row->body,
                    $row->price_micros, $row->left_at !== null ? '' : $reason,
                ]);
            })
            ->all();
        $runs = DB::table('runs')
            ->join('rules', 'rules.id', '=', 'runs.rule_id')
            ->get(['runs.*', 'rules.key as rule_key'])
            ->map(function (\stdClass $row): string {
                $state = json_decode((string) $row->state, true, 16, JSON_THROW_ON_ERROR);

                return implode(' | ', [
                    'run', $row->rule_key, self::about($row), substr((string) $row->began_at, 5), $state['step'] ?? '', $state['round'] ?? 0,
                    $row->outcome,
                ]);
            })
            ->all();

        return [...$this->sorted($texts), ...$this->sorted($runs)];
    }

    private static function about(\stdClass $row): string
    {
        return $row->record_id === null ? "person:$row->person_id" : "record:$row->record_id";
    }

    /**
     * @param  array<array-key, string>  $texts
     * @return list<string>
     */
    private function sorted(array $texts): array
    {
        sort($texts);

        return $texts;
    }
}
