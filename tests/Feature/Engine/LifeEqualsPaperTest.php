<?php

declare(strict_types=1);

namespace Tests\Feature\Engine;

use App\Models\MessageOrigin;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\TextState;
use Linnet\Core\Rehearsal\Rehearsal;
use Linnet\Core\Rehearsal\RehearsalResult;
use Linnet\Core\Rule\Rule;
use Tests\Feature\TownTestCase;
use Tests\Support\Databases;
use Tests\Support\LiveWorld;
use Tests\Support\RandomWorlds;

/** What is rehearsed on paper happens in life: the same texts at the same moments, and the carrier's ledger agrees. */
final class LifeEqualsPaperTest extends TownTestCase
{
    public function testWorldsMadeByChance(): void
    {
        $this->town->joinIn();
        config(['app.url' => 'https://texts.example']);
        $standins = $this->town->standins;
        $taken = $texts = 0;
        // Some on each kind of database.
        for ($seed = 1, $many = Databases::isPostgres() ? 6 : 16; $seed <= $many; $seed++) {
            [$worlds, $rules] = RandomWorlds::of($seed);
            $world = $worlds->build();
            $paper = Rehearsal::of($world, $rules);
            (new LiveWorld(
                $world,
                $worlds->document(),
                fn (\DateTimeImmutable $at) => $this->town->clockTo($at->format('Y-m-d\TH:i:s\Z')),
            ))->live($rules);

            self::assertSame(
                $this->onPaper($paper),
                $this->inLife(),
                "world $seed: ".implode(', ', array_map(fn (Rule $rule): string => (string) $rule->key, $rules)),
            );
            $ledger = array_slice($standins->ledger(), $taken);
            $taken += count($ledger);
            $sent = array_map(fn (OutText $text): string => "{$text->to->number} {$text->composed?->body}", $paper->sent());
            // Beside the rules' texts, the answers that STOP, START and HELP are owed.
            $answers = DB::table('messages')
                ->where('origin', MessageOrigin::Words->value)
                ->get()
                ->map(fn (\stdClass $row): string => "$row->number $row->body")
                ->all();
            $carried = array_map(fn (array $one): string => "{$one['to']} {$one['text']}", $ledger);
            array_push($sent, ...array_values($answers));
            sort($sent);
            sort($carried);
            self::assertSame($sent, $carried, "the carrier's ledger of world $seed");
            $texts += count($sent);
        }
        self::assertGreaterThan(6 * $many, $texts);
    }

    /** @return list<string> */
    private function onPaper(RehearsalResult $lived): array
    {
        return $this->sorted(
            array_map(
                fn (OutText $text): string => implode(' | ', [
                    $text->run?->rule->key, $text->run?->subject->name(), $text->name, $text->to->number, $text->line, $text->state->value,
                    $text->wantedAt->format('m-d H:i:s'), $text->state === TextState::Left ? $text->settledAt?->format('m-d H:i:s') : '',
                    $text->composed->body ?? '', $text->composed->price ?? 0, $text->reason->code ?? '',
                ]),
                $lived->texts(),
            ),
        );
    }

    /** @return list<string> */
    private function inLife(): array
    {
        return $this->sorted(
            DB::table('messages')
                ->join('runs', 'runs.id', '=', 'messages.run_id')
                ->join('rules', 'rules.id', '=', 'messages.rule_id')
                ->join('lines', 'lines.id', '=', 'messages.line_id')
                ->get(['messages.*', 'rules.key as rule_key', 'runs.record_id', 'runs.id as run_number', 'lines.key as line_key'])
                ->map(
                    fn (\stdClass $row): string => implode(' | ', [
                        $row->rule_key, $row->record_id === null ? "person:$row->person_id" : "record:$row->record_id",
                        substr((string) $row->name, strlen("$row->run_number/")), $row->number, $row->line_key,
                        in_array($row->state, ['ready', 'handed', 'arrived', 'failed'], true) ? 'left' : $row->state,
                        substr((string) $row->wanted_at, 5), $row->left_at === null ? '' : substr((string) $row->left_at, 5), $row->body,
                        $row->price_micros,
                        $row->reason === null || $row->left_at !== null
                            ? ''
                            : json_decode((string) $row->reason, true, 16, JSON_THROW_ON_ERROR)['code'],
                    ]),
                )
                ->all(),
        );
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
