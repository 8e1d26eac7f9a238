<?php

declare(strict_types=1);

namespace Tests\Demo;

use App\Models\Business;
use App\Models\Consent;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\Rule;
use App\Rehearsals\PastDays;
use Demo\HandClock;
use Demo\Season\Season;
use Demo\SeasonSimulation;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Engine\OutText;
use Linnet\Core\Record\ActivationState;
use Psr\Clock\ClockInterface;
use Tests\Feature\TestCase;

/** Half of the boathouse's ninety days, lived through with people who answer, and then every rule that was on rehearsed over them. */
final class RehearsalTest extends TestCase
{
    private const PEOPLE = 60;

    private const DAYS = 45;

    /** The season's clock goes by minutes: what a line's pace or a decent hour puts off by seconds leaves at the next. */
    private const MINUTE = 60;

    public function testEveryTextThatWasSentIsRehearsedAndNoOther(): void
    {
        Artisan::call('linnet:rules', ['what' => 'import', 'paths' => [base_path('demo/rules')]]);
        $season = new Season(self::PEOPLE, self::DAYS);
        $clock = new HandClock($season->begins());
        $told = [];
        (new SeasonSimulation($clock, $season, function (array $texts) use (&$told): void {
            array_push($told, ...$texts);
        }))->live(Season::guests(self::PEOPLE), fn () => null);
        $this->assertIsFullOfThingsThatAreTrue($season, $told);
        app()->instance(ClockInterface::class, $clock);

        [$sent, $rehearsed, $same] = [0, 0, 0];
        foreach (Rule::query()->with('version')->where('power', ActivationState::On)->whereNotNull('version_id')->get() as $rule) {
            [$life, $paper] = [$this->sent($rule, $season->ends()), $this->rehearsed($rule, $season)];
            $sent += count($life);
            $rehearsed += count($paper);
            foreach (array_intersect_key($life, $paper) as $text => $times) {
                $same += min($times, $paper[$text]);
            }
            self::assertSame([], array_diff_key($paper, $life), "$rule->name on paper alone");
            self::assertSame([], array_diff_key($life, $paper), "$rule->name in life alone");
        }

        $share = (100 * $same) / $sent;
        fwrite(STDERR, sprintf("\nOf %d texts sent %d (%.1f %%) are rehearsed, and %d besides.\n", $sent, $same, $share, $rehearsed - $same));
        self::assertGreaterThan(100, $sent);
        self::assertSame([$sent, $sent], [$rehearsed, $same]);
    }

    /** @param  list<array{key: string|null}>  $told  what the carrier was told */
    private function assertIsFullOfThingsThatAreTrue(Season $season, array $told): void
    {
        $left = Message::query()->where('origin', MessageOrigin::Rule)->whereNotNull('left_at');
        self::assertGreaterThan(60, $left->count());
        self::assertSame(
            Message::query()->whereNotNull('handed_at')->count(),
            count(array_filter($told, fn (array $text): bool => $text['key'] !== null)),
        );
        self::assertSame(0, DB::table('traces')->where('code', 'engine.put_aside')->count());
        // What the season says happened is what stands in the records.
        $last = [];
        foreach ($season->events() as $event) {
            $last[$event->id] = [...$last[$event->id] ?? [], ...$event->fields];
        }
        self::assertSame(count($last), DB::table('records')->count());
        $hours = Business::ours()->gatePolicy()->serviceHours;
        foreach ($left->with('person.numbers')->get() as $text) {
            foreach ($text->person->numbers->firstWhere('e164', $text->number)->zones ?? [] as $zone) {
                self::assertTrue(
                    $hours->isOpen($text->left_at?->toDateTimeImmutable() ?? now()->toDateTimeImmutable(), new \DateTimeZone($zone)),
                    "$text->id left at an hour that is not decent in $zone",
                );
            }
            $stopped = Consent::query()->where('number', $text->number)->where('scope', 'all')->where('act', 'withdrawn')->first();
            self::assertTrue($stopped === null || $text->left_at <= $stopped->at);
        }
    }

    /** @return array<string, int> how often which person had which words in which minute */
    private function sent(Rule $rule, \DateTimeImmutable $until): array
    {
        $texts = Message::query()
            ->where('rule_id', $rule->id)
            ->where('origin', MessageOrigin::Rule)
            ->whereNull('to_staff_id')
            ->whereNotNull('left_at')
            ->where('left_at', '<', $until)
            ->get();

        return array_count_values($texts
            ->map(fn (Message $text): string => self::line($text->person_id, $text->left_at?->toDateTimeImmutable(), $text->body))
            ->all());
    }

    /** @return array<string, int> */
    private function rehearsed(Rule $rule, Season $season): array
    {
        $replayed = resolve(PastDays::class)->replay(
            $rule->id, $rule->written(), [$rule->written()], $season->begins(), $season->begins(), $season->ends(), fn () => null,
        );
        $left = array_filter($replayed->texts, fn (OutText $text): bool => in_array($text->state->value, ['left', 'failed'], true));

        return array_count_values(array_values(array_map(
            fn (OutText $text): string => self::line($text->to->personId, $text->settledAt, $text->composed->body ?? ''),
            $left,
        )));
    }

    private static function line(?int $person, ?\DateTimeImmutable $at, string $words): string
    {
        return "$person ".gmdate('Y-m-d H:i', (int) ceil(($at?->getTimestamp() ?? 0) / self::MINUTE) * self::MINUTE)." $words";
    }
}
