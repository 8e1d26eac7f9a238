<?php

declare(strict_types=1);

namespace Tests\Feature\Rules;

use App\Models\Role;
use App\Models\Rule;
use App\Pages\Rules\ResultsReader;
use Illuminate\Support\Facades\Artisan;
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
            array_map(fn (object $row): array => [$row->step, $row->sent, $row->answered->times, $row->ended->times], $rows),
        );

        $this->actingAs($this->staff(Role::Viewer))
            ->get("/rules/$rule->id/results?days=7")
            ->assertOk()
            ->assertSee('2 (100 %)')
            ->assertSee('between 34 and 100 %');
        // Nine days later nobody would say that this answers the text.
        $this->travelToMoment('2026-03-20 10:00');
        self::assertSame(0, ResultsReader::of($rule, 7, now()->toImmutable())->rows[0]->sent);
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
}
