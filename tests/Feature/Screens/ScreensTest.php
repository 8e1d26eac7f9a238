<?php

declare(strict_types=1);

namespace Tests\Feature\Screens;

use App\Models\Business;
use App\Models\Consent;
use App\Models\Conversation;
use App\Models\Form;
use App\Models\Line;
use App\Models\Message;
use App\Models\Pool;
use App\Models\Role;
use App\Models\Rule;
use Illuminate\Testing\TestResponse;
use Linnet\Core\Record\ActivationState;
use Tests\Feature\TestCase;

final class ScreensTest extends TestCase
{
    public function testWhatPeopleWriteIsShownAndNeverRun(): void
    {
        $this->textFrom('+447700900999', '<script>alert(1)</script> {{ 7*7 }} "quotes"');
        $this->actingAs($this->staff(Role::Administrator));
        $conversation = Conversation::query()->firstOrFail();

        foreach (['/today', "/conversations/$conversation->id", "/people/$conversation->person_id"] as $page) {
            $this->get($page)->assertOk()->assertSee('<script>alert(1)</script> {{ 7*7 }}')->assertDontSee('<script>alert(1)', false);
        }
    }

    public function testTodaySaysWhatNeedsSomebody(): void
    {
        $this->missedCall('0044-2079460018');
        $this->postPhone('{');
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();

        $this->actingAs($this->staff(Role::Viewer))
            ->get('/today')
            ->assertOk()
            ->assertSeeInOrder(
                [
                    'No texts', 'Two things', 'A text was not sent to Agnes Thorpe', 'is a landline',
                    'Phone system sent a delivery that could not be used',
                ],
                false,
            )
            ->assertDontSee('Try again');
    }

    public function testEveryCountOpensTheRowsItCounted(): void
    {
        $this->missedCall(self::WEN);
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        $this->actingAs($this->staff(Role::Viewer));

        $this->get('/today')->assertSee('One text');
        $this->get('/sent?from=2026-03-02&until=2026-03-02&state=left')->assertOk()->assertSee('Wen Li')->assertSee('3.2p');
        $this->get('/sent?until=2026-03-01&state=left')->assertOk()->assertDontSee('Wen Li');
        $this->get('/sent?from=2026-03-03')->assertOk()->assertDontSee('Wen Li');
        $this->get('/sent?find=li&state=handed')->assertSee('Wen Li');
        $this->get('/sent?find=900301')->assertSee('Wen Li');
        $this->get('/sent?find=%25')->assertDontSee('Wen Li');
        $this->get('/sent?state=nonsense&rule=999')->assertOk()->assertSee('No texts here');
    }

    public function testANumberThatIsALinkLeadsToThatManyTexts(): void
    {
        foreach ([self::WEN, '+447700900343', '0044-2079460018'] as $number) {
            $this->missedCall($number);
        }
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        $this->textFrom(self::WEN, 'It is about the blue canoe');
        $this->work();
        // One from before the thirty days, of the same rule and line.
        Message::query()
            ->where('state', 'handed')
            ->firstOrFail()
            ->replicate(['troubled', 'reason_code'])
            ->fill(['name' => 'old', 'key' => 'old', 'at' => '2026-01-05 10:00', 'left_at' => '2026-01-05 10:00'])
            ->save();
        $this->actingAs($this->staff(Role::Viewer));
        $counted = [];

        foreach (['/today', '/rules', '/lines', '/rules/1/results', '/rules/1/runs'] as $page) {
            preg_match_all(
                '~href="([^"]*/(?:sent|rules/\d+/runs)\?[^"]*)"[^>]*>(\d+)</a>~', (string) $this->get($page)->getContent(), $links,
                PREG_SET_ORDER,
            );
            foreach ($links as [, $to, $number]) {
                $rows = substr_count($this->get(html_entity_decode($to).'&as=csv')->streamedContent(), "\r\n") - 1;
                self::assertSame((int) $number, $rows, "$page: $to");
                $counted[$page] = ($counted[$page] ?? 0) + (int) $number;
            }
        }
        // Two texts that left; on Rules beside one answered and two runs under way, in the results beside three runs, and of the runs with
        // the old one.
        self::assertSame(['/today' => 2, '/rules' => 5, '/lines' => 2, '/rules/1/results' => 5, '/rules/1/runs' => 3], $counted);
        $this->get('/rules/1/runs?state=live&order=oldest')
            ->assertOk()
            ->assertSeeInOrder(['Noor Haddad', 'Next look', 'Tue 3 Mar 10:02', 'Agnes Thorpe', 'is a landline']);
        $this->get('/rules/1/runs?state=ended&find=Wen')
            ->assertOk()
            ->assertSeeInOrder(['Wen Li', 'ended', 'Wen replied'])
            ->assertDontSee('Noor Haddad');
        $this->get('/rules/1/runs?state=goal')->assertSee('No runs here that fit.');
        $this->get('/rules')->assertSee('is a landline');
        Message::query()->where('state', 'dropped')->update(['reason' => ['code' => 'goal.met', 'with' => []]]);
        $this->get('/rules')->assertDontSee('is a landline');
    }

    public function testListsPageWithoutAQueryForEachRow(): void
    {
        $this->actingAs($this->staff(Role::Viewer));
        $queries = 0;
        $this->app->make('db')->listen(function () use (&$queries): void {
            $queries++;
        });
        foreach (['/people', '/sent', '/rules', '/rules/1/runs', '/sources/phone', '/conversations'] as $page) {
            $queries = 0;
            $this->get($page)->assertOk();
            // The sentences of rules name types, lines, staff, forms and more: each is asked for once.
            self::assertLessThan($page === '/rules' ? 22 : 16, $queries, $page);
        }
    }

    public function testAPageAsksAsMuchForManyRowsAsForFew(): void
    {
        $this->actingAs($this->staff(Role::Administrator));
        $queries = 0;
        $this->app->make('db')->listen(function () use (&$queries): void {
            $queries++;
        });
        $asked = function () use (&$queries): array {
            $many = [];
            foreach (
                [
                    '/lines', '/settings/forms', '/settings/wordings', '/people', '/rules', '/safeguards/consent',
                    '/people/'.$this->person(self::WEN)->id,
                ] as $page
            ) {
                $queries = 0;
                $this->get($page)->assertOk();
                $many[$page] = $queries;
            }

            return $many;
        };
        $fill = function (int $from): void {
            for ($i = $from; $i < $from + 8; $i++) {
                Line::query()->create([
                    'key' => "line-$i", 'name' => "line $i", 'number' => "+4477009007$i", 'power' => ActivationState::On,
                ]);
                Form::query()->create(['key' => "form-$i", 'name' => "Form $i", 'power' => ActivationState::On]);
                Pool::query()->create(['name' => "pool-$i", 'wordings' => [['id' => 'w', 'text' => 'Hello']]]);
                Consent::query()->create([
                    'person_id' => 1, 'number' => self::WEN, 'act' => 'granted', 'scope' => 'marketing', 'how' => 'text', 'at' => now(),
                ]);
                Rule::query()
                    ->firstOrFail()
                    ->replicate(['key', 'name', 'troubled', 'reason_code'])
                    ->fill(['key' => "rule-$i", 'name' => "Rule $i"])
                    ->save();
            }
        };
        $fill(10);
        $few = $asked();
        $fill(20);

        foreach ($asked() as $page => $many) {
            self::assertLessThanOrEqual($few[$page], $many, $page);
        }
    }

    public function testStaffWriteAndAnOptOutStopsThem(): void
    {
        $this->textFrom(self::WEN, 'Hello?');
        $conversation = Conversation::query()->firstOrFail();
        $this->actingAs($this->staff(Role::Agent));

        $write = fn (string $text): TestResponse => $this->post(route('people.texts.store', $conversation->person_id), [
            'text' => $text, 'line' => $conversation->line_id, 'conversation' => $conversation->id,
        ]);
        $write('')->assertSessionHasErrors(['text' => 'Write something first.']);
        $this->travelToMoment('2026-03-02 23:30');
        $write('Here we are.')->assertRedirect(route('conversations.show', $conversation));
        $this->work();
        self::assertSame('Here we are.', $this->handedOver[0]['text']);
        self::assertNull($conversation->refresh()->waiting_since);

        $this->textFrom(self::WEN, 'stop');
        $this->actingAs($this->staff(Role::Agent))->from('/conversations');
        $write('Please stay')
            ->assertSessionHasErrors(['text' => 'Not sent: Wen has said stop.'])
            ->assertRedirect(route('conversations.show', $conversation));
        self::assertFalse(Message::query()->where('body', 'Please stay')->exists());
    }

    public function testConversationsOpenOnWhoHasWaitedLongest(): void
    {
        $this->textFrom(self::WEN, 'Is the pontoon open?');
        $this->travelToMoment('2026-03-02 10:20');
        $this->textFrom('+447700900308', 'One more seat?');
        $this->actingAs($this->staff(Role::Agent));
        $wen = Conversation::query()->orderBy('id')->firstOrFail();

        $this->get('/conversations')
            ->assertSee('action="'.route('people.texts.store', $wen->person_id).'"', false)
            // Who is first may change while somebody writes: what refreshes by itself stays with whom they write to.
            ->assertSee('hx-get="'.route('conversations.show', $wen).'"', false);
        $this->get('/conversations?show=all')->assertSee('Choose a conversation');
        $wen->update(['waiting_since' => null]);
        // This list as a file is the list that is seen.
        $file = $this->actingAs($this->staff(Role::Administrator))->get('/conversations?as=csv')->assertOk()->streamedContent();
        self::assertStringContainsString('One more seat?', $file);
        self::assertStringNotContainsString('Is the pontoon open?', $file);
        $this->get('/conversations?find=nobody')->assertSee('Choose a conversation');
        Conversation::query()->update(['waiting_since' => null]);
        $this->get('/conversations')->assertSee('Is the pontoon open?')->assertSee('Choose a conversation');
    }

    public function testHoursAreChangedAndMistakesStandAtTheirField(): void
    {
        $this->actingAs($this->staff(Role::Administrator));
        $week = array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri'], ['from' => '10:00', 'to' => '16:00']) + [
            'sat' => ['from' => '', 'to' => ''],
            'sun' => ['from' => '10:00', 'to' => ''],
        ];

        $this->put('/safeguards/hours', ['table' => 'opening', 'week' => $week])->assertSessionHasErrors('opening-sun');
        $this->put('/safeguards/hours', [
            'table' => 'opening',
            'week' => ['sun' => ['from' => '', 'to' => '']] + $week,
            'closed' => '2026-13-01',
        ])->assertSessionHasErrors('opening-closed');
        $this->put('/safeguards/hours', [
            'table' => 'opening',
            'week' => ['sun' => ['from' => '', 'to' => '']] + $week,
            'closed' => '2026-12-25 2026-12-26',
        ])->assertSessionHasNoErrors();

        $hours = Business::ours()->opening_hours;
        self::assertSame(
            [[['10:00', '16:00']], [], ['2026-12-25', '2026-12-26']],
            [$hours['week']['mon'], $hours['week']['sun'], $hours['closed']],
        );
    }

    public function testWiderHoursLetGoWhatIsHeld(): void
    {
        $this->travelToMoment('2026-03-02 06:00');
        $this->missedCall('+12125550163');
        $this->work();
        $this->travelToMoment('2026-03-02 09:00');
        $this->work();
        self::assertSame([], $this->handedOver);

        $week = array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], ['from' => '00:00', 'to' => '24:00']);
        $this->actingAs($this->staff(Role::Administrator))
            ->put('/safeguards/hours', ['table' => 'service', 'week' => $week])
            ->assertSessionHasNoErrors();
        $this->work();
        self::assertCount(1, $this->handedOver);
    }
}
