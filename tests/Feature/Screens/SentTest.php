<?php

declare(strict_types=1);

namespace Tests\Feature\Screens;

use App\Models\Message;
use App\Models\MessageState;
use App\Models\Role;
use App\Models\Rule;
use App\Models\SentFilter;
use App\Pages\Texts\SentQuery;
use App\Pages\Texts\SentTotals;
use PHPUnit\Framework\Attributes\TestWith;
use Tests\Feature\TestCase;

/** Sent finds any text by whatever is known of it. */
final class SentTest extends TestCase
{
    private const TORONTO = '+14165550123';

    protected function setUp(): void
    {
        parent::setUp();
        $this->missedCall(self::WEN);
        $this->missedCall(self::TORONTO);
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        $this->textFrom(self::WEN, 'STOP');
        $this->work();
        $this->actingAs($this->staff(Role::Administrator));
    }

    /** @param  array<string, string>  $asked */
    #[TestWith([['country' => 'ca'], 'toronto'])]
    #[TestWith([['reason' => 'gate.outside_hours'], 'toronto'])]
    #[TestWith([['least' => '0.05'], 'none'])]
    #[TestWith([['version' => '1', 'state' => 'left'], 'wen'])]
    #[TestWith([['kind' => 'marketing'], 'none'])]
    #[TestWith([['kind' => 'service', 'state' => 'left'], 'wen'])]
    public function testEachFilterFindsItsTexts(array $asked, string $whose): void
    {
        $page = $this->get(route('sent.index', $asked))->assertOk();
        $is = fn (string $number): string => 'href="'.route('people.show', $this->person($number)).'"';

        $whose === 'wen' ? $page->assertSee($is(self::WEN), false) : $page->assertDontSee($is(self::WEN), false);
        $whose === 'toronto' ? $page->assertSee($is(self::TORONTO), false) : $page->assertDontSee($is(self::TORONTO), false);
    }

    public function testByPersonAndByRecord(): void
    {
        $text = Message::query()->where('person_id', $this->person(self::WEN)->id)->whereNotNull('run_id')->firstOrFail();

        $this->get(route('sent.index', ['record' => $text->run?->record_id]))->assertSee($text->body)->assertSee('Only the texts of one record.');
        $this->get(route('sent.index', ['person' => $text->person_id]))->assertSee($text->body);
        $this->get(route('sent.index', ['record' => 999_999]))->assertSee('No texts here');
    }

    public function testWhatIsFilteredIsCountedAndPriced(): void
    {
        $rule = Rule::query()->where('key', 'front-desk-missed-call')->firstOrFail();

        $this->get(route('sent.totals', ['rule' => $rule->id]))->assertSeeText('2 texts, 1 of them gone out, 1 part, 3.2p.');
        $this->get(route('sent.totals', ['rule' => 999_999]))->assertSeeText('0 texts, 0 of them gone out');
    }

    public function testAListIsKeptAndForgotten(): void
    {
        $this->post(route('sent.save'), ['name' => 'To Canada', 'country' => 'ca'])
            ->assertRedirect(route('sent.index', ['country' => 'ca']));
        $this->get(route('sent.index'))->assertSee('To Canada');
        $this->post(route('sent.save'), ['name' => ''])->assertSessionHasErrors('name');
        $this->delete(route('sent.forget', SentFilter::query()->sole()))->assertRedirect(route('sent.index'));
        self::assertSame(0, SentFilter::query()->count());
    }

    public function testWhatCannotBeAskedIsSaidAtItsField(): void
    {
        $this->get(route('sent.index', ['country' => 'Canada']))->assertSessionHasErrors('country');
        $this->get(route('sent.index', ['least' => 'much']))->assertSessionHasErrors('least');
        $this->get(route('sent.index', ['version' => '0']))->assertSessionHasErrors('version');
    }

    public function testTheCountsThatAreKeptTellWhatTheRowsTell(): void
    {
        $left = Message::query()->where('state', MessageState::Handed)->orderBy('id')->firstOrFail();
        $failed = Message::query()->where('state', MessageState::Handed)->orderByDesc('id')->firstOrFail();
        $failed->update(['state' => MessageState::Failed]);
        foreach ([
            [], ['state' => 'left'], ['state' => 'failed'], ['state' => 'kept'], ['state' => 'waiting'], ['by' => 'rule'],
            ['by' => 'words'],
            ['rule' => (string) $left->rule_id], ['line' => '1', 'from' => '2026-03-02'], ['until' => '2026-03-01'],
            ['from' => '2026-03-03'],
            ['rule' => (string) $left->rule_id, 'step' => (string) $left->step, 'wording' => (string) $left->wording],
        ] as $asked) {
            $query = new SentQuery($asked, 'Europe/London');
            $rows = $query->texts()->get();
            $gone = $rows->whereNotNull('left_at');
            $totals = SentTotals::of($query);
            self::assertSame(
                [count($rows), count($gone), $gone->sum('parts'), $gone->sum('price_micros')],
                [$totals->texts, $totals->gone, $totals->parts, $totals->micros],
                (string) json_encode($asked),
            );
        }
    }
}
