<?php

declare(strict_types=1);

namespace Tests\Demo;

use App\Models\ComingText;
use App\Models\ForecastMark;
use App\Models\MessageOrigin;
use Demo\HandClock;
use Demo\Season\Season;
use Demo\SeasonSimulation;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;
use Tests\Feature\TestCase;

/** What Ahead says of the next seven days of the boathouse, and what came. */
final class AheadTest extends TestCase
{
    private const DAYS = 16;

    private const PEOPLE = 160;

    /** @var array<string, list<string>> by what a text was said to hang on, what is traced when it falls away by that */
    private const FALLS_AWAY_BY = [
        'forecast.release' => [],
        'forecast.conditions' => ['start.conditions'],
        'forecast.date' => ['stop.date_moved', 'stop.date_gone'],
        'forecast.day' => ['stop.date_moved', 'stop.date_gone'],
        'forecast.no_answer' => ['ask.answered', 'stop.replied'],
        'forecast.no_reply' => ['stop.replied'],
        'forecast.while' => ['stop.no_longer'],
        'forecast.goal' => ['goal.met'],
        'forecast.looks_again' => ['run.not_going_on'],
    ];

    /** The page says so of all of them. */
    private const ALWAYS = ['stop.opted_out', 'gate.opted_out', 'gate.may_have_opted_out'];

    public function testWhatWasSaidComesWhereNobodyAnswersAndElseFallsAwayByWhatItWasSaidToHangOn(): void
    {
        Artisan::call('linnet:rules', ['what' => 'import', 'paths' => [base_path('demo/rules')]]);
        $season = new Season(self::PEOPLE, self::DAYS);
        $clock = new HandClock($season->begins());
        $asked = $season->ends()->modify('-7 days')->format('Y-m-d');
        $said = $at = null;
        $simulation = new SeasonSimulation($clock, $season, fn () => null);
        $simulation->live(Season::guests(self::PEOPLE), function (\DateTimeImmutable $now) use ($asked, $season, &$said, &$at): void {
            if ($said === null && $now->format('Y-m-d') === $asked) {
                [$said, $at] = [$this->ahead($season->ends()), $now];
            }
        });
        $this->assertFellAwayAsSaid($said ?? [], $at ?? $clock->now());

        app()->instance(ClockInterface::class, $clock);
        $now = $clock->now();
        $said = $this->ahead($now->modify('+7 days'));
        $simulation->liveQuietly($now->modify('+7 days'));

        self::assertGreaterThan(10, count($said));
        self::assertSame(array_column($said, 'said'), $this->left($now, $now->modify('+7 days')));
    }

    /** @return list<array{said: string, text: ComingText}> */
    private function ahead(\DateTimeImmutable $until): array
    {
        $this->forecast();
        self::assertSame([], ForecastMark::next(1));
        $said = [];
        foreach (ComingText::query()->where('leaves_at', '<=', $until)->with(['rule', 'person.number'])->get() as $text) {
            $said[] = [
                'said' => "$text->leaves_at | {$text->rule?->key} | ".($text->record_id ?? "person $text->person_id")." | $text->name | $text->body",
                'text' => $text,
            ];
        }
        usort($said, fn (array $a, array $b): int => $a['said'] <=> $b['said']);

        return $said;
    }

    /** @return list<string> */
    private function left(\DateTimeImmutable $since, \DateTimeImmutable $until): array
    {
        $left = DB::table('messages')
            ->join('runs', 'runs.id', '=', 'messages.run_id')
            ->join('rules', 'rules.id', '=', 'messages.rule_id')
            ->where('messages.origin', MessageOrigin::Rule->value)
            ->where('left_at', '>', $since->format('Y-m-d H:i:s'))
            ->where('left_at', '<=', $until->format('Y-m-d H:i:s'))
            ->get(['left_at', 'rules.key as rule_key', 'runs.record_id', 'messages.person_id', 'messages.name', 'runs.id as run', 'body'])
            ->map(fn (\stdClass $row): string => "$row->left_at | $row->rule_key | ".($row->record_id ?? "person $row->person_id").
                ' | '.substr((string) $row->name, strlen("$row->run/"))." | $row->body")
            ->all();
        sort($left);

        return $left;
    }

    /** @param  list<array{said: string, text: ComingText}>  $said */
    private function assertFellAwayAsSaid(array $said, \DateTimeImmutable $since): void
    {
        $came = [];
        foreach ($this->left($since, $since->modify('+7 days')) as $text) {
            [$moment, $what] = explode(' | ', $text, 2);
            $came[$what] = $moment;
        }
        $gone = array_filter($said, function (array $one) use ($came): bool {
            [$moment, $what] = explode(' | ', $one['said'], 2);

            // The season is lived through minute by minute; what a line has no room for leaves in the next.
            return ! isset($came[$what]) || abs(strtotime($came[$what]) - strtotime($moment)) > 120;
        });
        foreach ($gone as $one) {
            $text = $one['text'];
            $because = DB::table('traces')
                ->where('rule_id', $text->rule_id)
                ->where('person_id', $text->person_id)
                ->where('at', '>', $since->format('Y-m-d H:i:s'))
                ->pluck('code')
                ->all();
            $named = array_merge(self::ALWAYS, ...array_map(fn (array $on): array => self::FALLS_AWAY_BY[$on['code']], $text->hangs_on));
            self::assertNotSame([], array_intersect($because, $named), $one['said'].' was said to hang on something else');
        }
        self::assertGreaterThan(10, count($said));
        self::assertNotSame([], $gone);
        fwrite(STDERR, sprintf("Ahead: of %d texts said for seven days, %d came as said.\n", count($said), count($said) - count($gone)));
    }
}
