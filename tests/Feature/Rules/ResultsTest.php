<?php

declare(strict_types=1);

namespace Tests\Feature\Rules;

use App\Counts\CountryCounts;
use App\Models\Role;
use App\Models\Rule;
use App\Pages\Results\MonthPage;
use App\Pages\Rules\Answers;
use App\Pages\Rules\ResultsReader;
use App\Pages\Rules\WordingResult;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Tests\Feature\TestCase;

final class ResultsTest extends TestCase
{
    public function testAnAnswerCountsForTheWordingTheyHadLast(): void
    {
        $this->missedCall(self::WEN);
        $this->missedCall('+447700900308');
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        $this->textFrom(self::WEN, 'Yes, do you hire by the day?');
        $this->textFrom(self::WEN, 'And on Sundays?');
        $this->textFrom('+447700900308', 'STOP');
        $this->work();
        $rule = Rule::query()->where('key', 'front-desk-missed-call')->firstOrFail();

        $rows = ResultsReader::of($rule, 30, now()->toImmutable())->rows;
        self::assertSame(
            [['first', 2, 2, 1], ['second', 0, 0, 0]],
            array_map(
                fn (WordingResult $row): array => [$row->step, $row->came->sent, $row->came->answered->times, $row->came->ended->times],
                $rows,
            ),
        );

        $this->actingAs($this->staff(Role::Viewer))
            ->get("/rules/$rule->id/results?days=7")
            ->assertOk()
            ->assertSee('(100 %)')
            ->assertSee('half of them within')
            ->assertSee('34 to 100 %');
        // Nine days later nobody would say that this answers the text.
        $this->travelToMoment('2026-03-20 10:00');
        self::assertSame(0, ResultsReader::of($rule, 7, now()->toImmutable())->rows[0]->came->sent);
    }

    public function testAQuestionPutOnceMoreIsNamedForWhatItIs(): void
    {
        Artisan::call('linnet:rules', ['what' => 'import', 'paths' => [base_path('demo/rules/lesson-reminder.json')], '--on' => true]);
        $rule = Rule::query()->where('key', 'lesson-reminder')->firstOrFail();
        $this->actingAs($this->staff(Role::Administrator))
            ->post('/records/booking', [
                'fields' => [
                    'lesson' => 'Tour', 'state' => 'booked', 'starts_at' => '2026-03-03T14:00', 'who' => '#'.$this->person(self::WEN)->id,
                ],
            ])
            ->assertSessionHasNoErrors();
        $this->work();
        $this->textFrom(self::WEN, 'What?');
        $this->work();
        self::assertCount(2, $this->handedOver);

        $this->get("/rules/$rule->id/results")
            ->assertSee('Asked once more, where the answer was unclear: “Sorry, was that YES or CANCEL?”')
            ->assertDontSee('Words of an earlier version');
        $rows = substr_count($this->get("/sent?rule=$rule->id&step=coming&wording=%7E&state=left&as=csv")->streamedContent(), "\r\n") - 1;
        self::assertSame(1, $rows);
    }

    public function testAnswersVersionsAndTheMonthAreCountedAndEachNumberOpensAsMany(): void
    {
        Artisan::call('linnet:rules', ['what' => 'import', 'paths' => [base_path('demo/rules/lesson-reminder.json')], '--on' => true]);
        $rule = Rule::query()->where('key', 'lesson-reminder')->firstOrFail();
        $this->actingAs($this->staff(Role::Administrator));
        $people = [self::WEN => 'yes', '+447700900310' => 'cancel', '+14165550110' => 'yes'];
        foreach (array_keys($people) as $i => $number) {
            $this->textFrom($number, 'Hello');
            $this->post('/records/booking', ['fields' => [
                'lesson' => 'Tour', 'state' => 'booked', 'starts_at' => '2026-03-03T'.(16 + $i).':00',
                'who' => '#'.$this->person($number)->id,
            ]])->assertSessionHasNoErrors();
        }
        $this->work();
        $this->travelToMoment('2026-03-02 14:05');
        $this->work();
        foreach ($people as $number => $answer) {
            $this->textFrom($number, $answer);
        }
        $this->work();

        $results = ResultsReader::of($rule, 30, now()->toImmutable());
        self::assertTrue($results->hasAnswers);
        $answers = Answers::of($rule, $results->since);
        $said = array_map(fn (array $one): array => array_slice($one, 0, 3), $answers);
        self::assertSame([['a', 'yes', 2], ['a', 'cancel', 1]], $said);
        $rows = fn (string $asked): int => substr_count(
            (string) $this->get(route('rules.runs', [$rule, 'answer' => $asked]))->assertOk()->getContent(), '<tr>',
        ) - 1;
        self::assertSame(['yes' => 2, 'cancel' => 1], array_map($rows, array_column($answers, 3, 1)));
        self::assertCount(1, $results->versions);
        $month = new MonthPage(now()->toImmutable(), '');
        self::assertSame(['GB' => 4, 'CA' => 2], array_column($month->byCountry(), 'texts', 'country'));
        self::assertSame($month->sent(), array_sum(array_column($month->byLine(), 'texts')));
        self::assertSame(6, array_column($month->byRule(), 'texts', 'says')[$rule->name]);
        $this->get(route('results'))->assertOk()->assertSee('United Kingdom');
        // What somebody has counted wrongly is found, and mended.
        DB::table('country_counts')->limit(1)->update(['texts' => 99]);
        self::assertSame(1, Artisan::call('linnet:recount', ['--check' => true]));
        Artisan::call('linnet:recount');
        self::assertSame([], CountryCounts::differences());
    }
}
