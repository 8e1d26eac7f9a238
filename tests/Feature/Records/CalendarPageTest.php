<?php

declare(strict_types=1);

namespace Tests\Feature\Records;

use App\Models\Record;
use App\Models\RecordType;
use App\Models\Role;
use App\Models\Rule;
use Illuminate\Support\Facades\Artisan;
use Tests\Feature\TestCase;

/** Records by the days on which they start, with what is texted about each. */
final class CalendarPageTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        Artisan::call('linnet:rules', ['what' => 'import', 'paths' => [base_path('demo/rules/lesson-reminder.json')], '--on' => true]);
        $this->actingAs($this->staff(Role::Administrator));
        $this->missedCall(self::WEN);
        foreach (['2026-03-05T23:30', '2026-03-06T15:00', '2026-03-12T10:00'] as $i => $start) {
            $this->post('/records/booking', ['fields' => [
                'lesson' => "Lesson $i", 'state' => 'booked', 'starts_at' => $start, 'who' => '#'.$this->person(self::WEN)->id,
            ]])->assertSessionHasNoErrors();
        }
        $this->work();
        $this->forecast();
    }

    public function testAWeekShowsWhatStartsWhenAndWhatWillBeTextedAboutIt(): void
    {
        self::assertNotNull(Rule::query()->where('key', 'lesson-reminder')->value('on_since'));
        $this->get(route('records.calendar', ['booking', 'day' => '2026-03-04']))
            ->assertSee('2 March to 8 March 2026')
            ->assertSeeInOrder(['Thu 5', '23:30', 'Lesson 0', 'Fri 6', '15:00', 'Lesson 1'])
            ->assertSee('Thu 10:00')
            ->assertDontSee('Lesson 2');
        $this->get(route('records.calendar', ['booking', 'day' => '2026-03-12']))->assertSee('Lesson 2')->assertDontSee('Lesson 1');
    }

    public function testADaySaysTheWordsThatCameAndWillCome(): void
    {
        $day = route('records.calendar', ['booking', 'day' => '2026-03-06', 'show' => 'day']);
        $this->get($day)->assertSee('Friday 6 March 2026')->assertSee('your Lesson 1 is tomorrow at 15:00');

        $this->travelToMoment('2026-03-05 10:00');
        $this->work();
        $this->forecast();
        $this->get($day)->assertSee('your Lesson 1 is tomorrow at 15:00')->assertSee('Thu 5 Mar 10:00');
        $this->get(route('records.calendar', ['booking', 'day' => '2026-03-07', 'show' => 'day']))
            ->assertSee('No bookings start on this day.');
    }

    public function testWhereMoreStartThanAreShownTheOthersFollow(): void
    {
        $lesson = Record::query()->orderByDesc('id')->offset(1)->firstOrFail();
        for ($i = 0; $i < 51; $i++) {
            $lesson->replicate()->fill(['external_id' => "more-$i"])->save();
        }
        $page = route('records.calendar', ['booking', 'day' => '2026-03-06', 'show' => 'day']);

        $this->get($page)->assertSee('More start on this day than are shown at once.')->assertSee('Those after')->assertDontSee('Those before');
        $after = $this->get("$page&turn=2")->assertSee('Those before')->assertDontSee('Those after');
        self::assertSame(2, substr_count((string) $after->getContent(), 'class="day-record"'));
        $this->get("$page&turn=0")->assertSessionHasErrors('turn');
    }

    public function testATypeWithoutAStartHasNoCalendar(): void
    {
        RecordType::query()->where('key', 'order')->update(['start_field' => null]);
        $this->get(route('records.calendar', 'order'))->assertRedirect(route('records.index', 'order'));
        $this->get(route('records.calendar', ['booking', 'day' => 'soon']))->assertSessionHasErrors('day');
    }
}
