<?php

declare(strict_types=1);

namespace Tests\Feature\Screens;

use App\Inbound\DeliveryStatusHandler;
use App\Models\Business;
use App\Models\Change;
use App\Models\ChangeKind;
use App\Models\Consent;
use App\Models\Line;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\Notice;
use App\Models\Number;
use App\Models\Role;
use App\Models\Rule;
use App\Models\Run;
use App\Models\Task;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Record\ActivationState;
use Tests\Feature\TestCase;

/** What only a person can decide: it stands on Today with the decision beside it, and the decision does what it says. */
final class DecisionsTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->staff(Role::Administrator));
    }

    public function testWhatReadsLikeAStopHoldsAutomaticTextsUntilSomebodyDecides(): void
    {
        $this->missedCall(self::WEN);
        $this->textFrom(self::WEN, 'please take me off your list');
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        self::assertSame([], $this->handedOver);
        $number = Number::query()->where('e164', self::WEN)->firstOrFail();
        $this->get('/today')->assertSee('wrote what reads like a stop')->assertSee('They mean stop');

        $this->post("/numbers/$number->id/doubt", ['means' => 'no'])->assertSessionHas('done', 'Automatic texts go to Wen again.');
        $this->work();
        self::assertSame([], Consent::query()->get()->all());
        $this->get('/today')->assertDontSee('wrote what reads like a stop');

        $this->textFrom(self::WEN, 'stop texting me please');
        $this->post("/numbers/$number->id/doubt", ['means' => 'stop']);
        $entry = Consent::query()->sole();
        self::assertSame(
            ['withdrawn', 'all', 'staff', 'stop texting me please'],
            [$entry->act, $entry->scope, $entry->how, $entry->wording],
        );
        $this->post("/numbers/$number->id/doubt", ['means' => 'perhaps'])->assertSessionHasErrors('means');
    }

    public function testALineWithTooManyFailuresIsPausedAndSaysSoUntilItIsSwitchedOnAgain(): void
    {
        $business = Business::ours();
        $business->update([
            'policy' => $business->policy + ['health' => ['look_at' => 10, 'at_least' => 2, 'warn_percent' => 10, 'pause_percent' => 50]],
        ]);
        foreach ([self::WEN, '+447700900308'] as $number) {
            $this->missedCall($number);
        }
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        foreach (Message::query()->where('state', MessageState::Handed)->get() as $message) {
            $this->fromCarrier([
                'kind' => 'receipt', 'ref' => 'C', 'key' => (string) $message->key, 'fate' => 'failed', 'code' => 'no_such_number',
                'detail' => 'nobody has this number', 'at' => '2026-03-02T10:02:05Z',
            ])->assertOk();
        }
        $line = Line::query()->where('key', 'front-desk')->firstOrFail();

        self::assertSame(ActivationState::Paused, $line->power);
        self::assertSame(2, Change::query()->where('kind', ChangeKind::StatusReported)->count());
        $this->get('/today')->assertSee('The line “front desk” was paused');
        $this->missedCall('+447700900315');
        $this->travelToMoment('2026-03-02 10:05');
        $this->work();
        self::assertCount(2, $this->handedOver);

        $this->put("/lines/$line->id/power", ['power' => 'on'])->assertRedirect();
        $this->travelToMoment('2026-03-02 10:07');
        $this->work();
        // What it held goes, and the failures of before count no more.
        self::assertSame('+447700900315', end($this->handedOver)['to'] ?? null);
        self::assertNull($line->refresh()->problem);
        resolve(DeliveryStatusHandler::class)->failed(Message::query()->orderByDesc('id')->firstOrFail(), false, now()->toImmutable());
        self::assertSame(ActivationState::On, $line->refresh()->power);
    }

    public function testANumberTheCarrierSaysNobodyHasGetsNoMoreTextsUntilOneComesFromIt(): void
    {
        $this->missedCall(self::WEN);
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        $text = $this->textsTo(self::WEN)[0];
        $this->fromCarrier([
            'kind' => 'receipt', 'ref' => 'C', 'key' => (string) $text->key, 'fate' => 'failed', 'code' => 'no_such_number',
            'at' => '2026-03-02T10:02:05Z',
        ])->assertOk();
        $this->travelToMoment('2026-03-03 10:03');
        $this->work();
        self::assertSame('gate.number_dead', $this->textsTo(self::WEN)[1]->reason['code'] ?? null);
        $this->get('/people/'.$this->person(self::WEN)->id)->assertSee('The carrier says that nobody has +44 7700 900301.');

        $this->textFrom(self::WEN, 'It is me, on a new phone');
        $this->missedCall(self::WEN);
        $this->travelToMoment('2026-03-03 10:06');
        $this->work();
        self::assertSame([self::WEN, self::WEN], array_column($this->handedOver, 'to'));
    }

    public function testABatchWaitsForItsHourAndForSomebodyToLetItGo(): void
    {
        $rule = Rule::query()->where('key', 'front-desk-missed-call')->firstOrFail();
        $version = $rule->version ?? self::fail('it is published');
        $version->update(['document' => ['release' => ['texts' => 'in_one_batch', 'ask_at' => '15:00']] + $version->document]);
        $this->missedCall(self::WEN);
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        self::assertSame('gate.not_released', $this->textsTo(self::WEN)[0]->reason['code'] ?? null);

        $this->get('/today')->assertDontSee('to be let go');
        $this->travelToMoment('2026-03-02 15:00');
        $this->get('/today')->assertSee('One text of “Front desk: missed call, followed up” waits to be let go');
        $this->post("/rules/$rule->id/release")->assertSessionHas('done', 'One text leaves at 15:01:00, as far as the gate lets it.');
        $this->travelToMoment('2026-03-02 15:01');
        $this->work();

        self::assertSame([self::WEN], array_column($this->handedOver, 'to'));
    }

    public function testSomeWhoAreUnderWayAreStoppedAndHearNoMore(): void
    {
        $rule = Rule::query()->where('key', 'front-desk-missed-call')->firstOrFail();
        foreach ([self::WEN, '+447700900308'] as $number) {
            $this->missedCall($number);
        }
        $this->work();
        $wens = Run::query()->where('person_id', $this->person(self::WEN)->id)->where('live', true)->firstOrFail();
        $this->get("/rules/$rule->id/runs")
            ->assertSee('Stop them')
            ->assertSee('name="ticked['.$wens->id.']" value="breathe/1"', false);
        $this->post("/rules/$rule->id/runs", ['do' => 'stop'])->assertSessionHasErrors([
            'ticked' => 'Tick those that it is to be done to.',
        ]);
        $this->post("/rules/$rule->id/runs", ['do' => 'stop', 'ticked' => [$wens->id => 'breathe/1']])->assertSessionHas(
            'done',
            'One was stopped.',
        );
        $this->post("/rules/$rule->id/runs", ['do' => 'stop', 'ticked' => [$wens->id => 'breathe/1']])->assertSessionHas(
            'done',
            'None were stopped. One had ended already.',
        );
        // One of another rule is not this one's to stop.
        $other = Rule::query()->whereKeyNot($rule->id)->firstOrFail();
        $this->post("/rules/$other->id/runs", ['do' => 'stop', 'ticked' => Run::query()->where('live', true)->pluck('step', 'id')->all()]);
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();

        self::assertSame([0, 1], [count($this->textsTo(self::WEN)), count($this->textsTo('+447700900308'))]);
        $this->get("/rules/$rule->id/runs")->assertSee('stopped it.');
    }

    public function testWhoIsHurriedGoesOnAtOnceAndOnlyOnceAndThroughTheGate(): void
    {
        $rule = Rule::query()->where('key', 'front-desk-missed-call')->firstOrFail();
        $this->missedCall(self::WEN);
        $this->work();
        $run = Run::query()->where('live', true)->where('rule_id', $rule->id)->firstOrFail();
        $hurry = ['do' => 'hurry', 'ticked' => [$run->id => 'breathe/1']];
        $this->post("/rules/$rule->id/runs", $hurry)->assertSessionHas('done', 'One goes on now.');
        // What was decided once is done once.
        $this->post("/rules/$rule->id/runs", $hurry)->assertSessionHas(
            'done',
            'None go on now. One waits for nothing that could be hurried, or went on already.',
        );
        $this->work();
        self::assertCount(1, $this->textsTo(self::WEN));
        $this->get("/rules/$rule->id/runs")->assertSee('let it wait no longer.');
        $this->post("/rules/$rule->id/runs", ['ticked' => [$run->id => 'a-day/1']] + $hurry)->assertSessionHas('done', 'One goes on now.');
        $this->work();
        $this->travelToMoment('2026-03-05 10:02');
        $this->work();

        self::assertCount(2, $this->textsTo(self::WEN));
        self::assertSame(2, count(array_unique(array_column($this->handedOver, 'key'))));
    }

    public function testSomeSkipTheStepTheyStandAtOrGoOnAtAnother(): void
    {
        $rule = Rule::query()->where('key', 'front-desk-missed-call')->firstOrFail();
        foreach ([self::WEN, '+447700900308'] as $number) {
            $this->missedCall($number);
        }
        $this->work();
        $runs = Run::query()->where('live', true)->where('rule_id', $rule->id)->orderBy('id')->pluck('id')->all();
        $decide = fn (array $said) => $this->post("/rules/$rule->id/runs", $said);
        $this->get("/rules/$rule->id/runs")->assertSee('Move them there')->assertSee('Text b, without what stands before it');
        $decide(['do' => 'move', 'ticked' => [$runs[0] => 'breathe/1']])->assertSessionHasErrors(['step' => 'Choose where they go on.']);
        $decide(['do' => 'move', 'step' => 'nowhere', 'ticked' => [$runs[0] => 'breathe/1']])->assertSessionHasErrors('step');
        $decide(['do' => 'move', 'step' => 'second', 'ticked' => [$runs[0] => 'breathe/1']])->assertSessionHas(
            'done',
            'One goes on there.',
        );
        $decide(['do' => 'skip', 'ticked' => [$runs[1] => 'breathe/1']])->assertSessionHas('done', 'One skips the step.');
        $decide(['do' => 'skip', 'ticked' => [$runs[1] => 'breathe/1']])->assertSessionHas(
            'done',
            'None skip the step. One had gone on already.',
        );
        $this->work();
        self::assertSame(
            [['second'], ['first']],
            array_map(fn (string $number): array => array_column($this->textsTo($number), 'step'), [self::WEN, '+447700900308']),
        );

        // Back to the first text: it is said again, under a name of its own.
        $place = Run::query()->whereKey($runs[1])->firstOrFail()->readState()->place();
        $decide(['do' => 'move', 'step' => 'first', 'ticked' => [$runs[1] => $place]])->assertSessionHas('done', 'One goes on there.');
        $this->work();
        self::assertSame(['first', 'first'], array_column($this->textsTo('+447700900308'), 'step'));
        self::assertSame(2, DB::table('traces')->where('code', 'run.moved')->count());
    }

    public function testARuleIsStartedForSeveralWithThoseWhoLackSomethingNamed(): void
    {
        $rule = Rule::query()->where('key', 'front-desk-missed-call')->firstOrFail();
        foreach ([self::WEN, '+447700900308'] as $number) {
            $this->missedCall($number);
        }
        $this->work();
        $look = $this->get("/rules/$rule->id/starts?of=all")->assertOk()->assertSee('It would start for 2');
        preg_match('/name="once" value="([^"]+)"/', (string) $look->getContent(), $once);
        $start = ['of' => 'all', 'many' => 2, 'once' => $once[1] ?? ''];
        $this->post("/rules/$rule->id/starts", ['many' => 3] + $start)->assertSessionHasErrors('of');
        $this->post("/rules/$rule->id/starts", $start)->assertSessionHasNoErrors();
        $this->post("/rules/$rule->id/starts", $start)->assertSessionHasNoErrors();
        self::assertSame(2, Change::query()->where('kind', ChangeKind::Asked)->count());

        $this->post(route('rules.begin.store'), [
            'text' => "Rule: News\nWhen it is started for a person:\n  text the person from the front desk, as a service text:\n    | We are open again.\nIt goes on even if they reply. It starts every time.",
        ])->assertSessionHasNoErrors();
        $news = Rule::query()->orderByDesc('id')->firstOrFail();
        $this->post("/rules/$news->id/draft/publish")->assertSessionHasNoErrors();
        $this->put("/rules/$news->id/power", ['power' => 'on']);
        DB::table('labels')->insert([
            'person_id' => $this->person(self::WEN)->id, 'kind' => 'list', 'name' => 'Spring', 'folded' => 'spring',
        ]);
        preg_match(
            '/name="once" value="([^"]+)"/',
            (string) $this->get("/rules/$news->id/starts?of=list:Spring")
                ->assertOk()
                ->assertSee('It would start for 1')
                ->getContent(),
            $once,
        );
        $this->post("/rules/$news->id/starts", ['of' => 'list:Spring', 'many' => 1, 'once' => $once[1] ?? ''])->assertSessionHasNoErrors();
        $this->work();
        self::assertContains(
            'Osier Quay Boathouse: We are open again. Reply STOP to hear no more.',
            array_column($this->handedOver, 'text'),
        );
        $this->put("/rules/$rule->id/power", ['power' => 'paused']);
        $this->get("/rules/$rule->id/starts?of=all")->assertSee('It can be started for nobody')->assertSee('2 left out')->assertSee('Wen');
    }

    public function testAStepThatIsSkippedDropsTheTextThatWaitsThere(): void
    {
        $rule = Rule::query()->where('key', 'front-desk-missed-call')->firstOrFail();
        $version = $rule->version ?? self::fail('it is published');
        $version->update(['document' => ['release' => ['texts' => 'one_by_one']] + $version->document]);
        $this->missedCall(self::WEN);
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        $run = Run::query()->where('rule_id', $rule->id)->firstOrFail();
        self::assertSame('gate.not_released', $this->textsTo(self::WEN)[0]->reason['code'] ?? null);
        $this->post("/rules/$rule->id/runs", ['do' => 'skip', 'ticked' => [$run->id => $run->readState()->place()]])->assertSessionHas(
            'done',
            'One skips the step.',
        );
        $this->work();

        self::assertSame([], $this->handedOver);
        self::assertSame([MessageState::Dropped], array_column($this->textsTo(self::WEN), 'state'));
    }

    public function testWhoStandsAtAStepThatIsGoneIsLeftForDecision(): void
    {
        $rule = Rule::query()->where('key', 'front-desk-missed-call')->firstOrFail();
        foreach ([self::WEN, '+447700900308'] as $number) {
            $this->missedCall($number);
        }
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        $document = $rule->written()->toDocument();
        // The day they wait through is gone from the new version.
        $document['steps'] = array_values(array_filter($document['steps'], fn (array $step): bool => $step['id'] !== 'a-day'));
        $rule->update(['draft' => $document]);

        $this->post("/rules/$rule->id/draft/publish", ['under_way' => 'move'])->assertSessionHasNoErrors();
        self::assertSame(2, Run::query()->where('stuck', true)->count());
        $this->get('/today')->assertSee('at a step that is gone');
        $this->post("/rules/$rule->id/stuck", ['do' => 'end']);

        self::assertSame(['step_gone'], Run::query()->distinct()->pluck('outcome')->all());
        $this->get('/today')->assertDontSee('at a step that is gone');
    }

    public function testThoseUnderWayGoOnByTheNewWordsWhereChosen(): void
    {
        $rule = Rule::query()->where('key', 'front-desk-missed-call')->firstOrFail();
        $this->missedCall(self::WEN);
        $this->work();
        $document = $rule->written()->toDocument();
        $document['steps'][1]['wordings'][0]['text'] = 'New words';
        $rule->update(['draft' => $document]);

        $this->post("/rules/$rule->id/draft/publish", ['under_way' => 'move']);
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();

        self::assertStringContainsString('New words', $this->handedOver[0]['text']);
    }

    public function testNoticesAndTasksStandUntilTheyAreDone(): void
    {
        $tom = $this->staff(Role::Operator);
        $notice = Notice::query()->create(['name' => 'n1', 'words' => 'Bo has not answered', 'staff_id' => $tom->id, 'at' => now()]);
        $task = Task::query()->create(['name' => 't1', 'words' => 'Fetch the wherry', 'at' => now(), 'due_at' => now()->addDay()]);

        $this->get('/today')
            ->assertDontSee('Bo has not answered')
            ->assertSee('Fetch the wherry')
            ->assertSee('For whoever takes it, by Tue 3 March 10:00.');
        $this->actingAs($tom)->get('/today')->assertSee('Bo has not answered');
        $this->post("/notices/$notice->id/put-away");
        $this->post("/tasks/$task->id/done");

        $this->get('/today')->assertDontSee('Bo has not answered')->assertDontSee('Fetch the wherry');
    }

    public function testTwoRulesThatAreOnDoNotOwnTheSameWord(): void
    {
        $document = json_decode((string) file_get_contents(base_path('demo/rules/word-kayak.json')), true, 32, JSON_THROW_ON_ERROR);
        foreach (['one' => ['kayak'], 'two' => ['Kayak!', 'boat']] as $name => $words) {
            $rule = Rule::query()->create([
                'name' => $name,
                'power' => 'paused',
                'draft' => ['name' => $name, 'key' => $name, 'trigger' => ['words' => $words] + $document['trigger']] + $document,
            ]);
            $this->post("/rules/$rule->id/draft/publish")->assertSessionHasNoErrors();
        }
        foreach (Rule::query()->whereIn('name', ['one', 'two'])->orderBy('id')->get() as $rule) {
            $this->put("/rules/$rule->id/power", ['power' => 'on']);
        }

        self::assertStringContainsString('The rule “one” already listens for “kayak”', (string) session('errors')?->first('power'));
        self::assertSame(
            ['one' => ActivationState::On, 'two' => ActivationState::Paused],
            Rule::query()
                ->whereIn('name', ['one', 'two'])
                ->orderBy('id')
                ->pluck('power', 'name')
                ->all(),
        );
        Rule::query()
            ->where('name', 'two')
            ->update(['draft' => json_encode($document)]);
        $this->post('/rules/'.Rule::query()->where('name', 'two')->value('id').'/draft/publish')->assertSessionHasErrors([
            'publish' => 'The rule “one” already listens for “kayak” on the same line.',
        ]);
    }

    public function testALinkLeadsOnAndTellsTheRulesOnce(): void
    {
        $this->missedCall(self::WEN);
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        $text = $this->textsTo(self::WEN)[0];
        DB::table('links')->insert([
            ['code' => 'abcdefghij', 'message_id' => $text->id, 'target' => 'https://shop.osierquay.example/b/1'],
            ['code' => 'abcdefghik', 'message_id' => $text->id, 'target' => 'javascript:alert(1)'],
        ]);

        $this->get('/l/abcdefghij')->assertRedirect('https://shop.osierquay.example/b/1');
        $this->get('/l/abcdefghij');
        $this->get('/l/abcdefghik')->assertNotFound();
        $this->get('/l/0000000000')->assertNotFound();

        self::assertSame(
            [['fate' => 'link_opened', 'rule' => 'front-desk-missed-call']],
            Change::query()->where('kind', ChangeKind::StatusReported)->get()->map(fn (Change $change): mixed => $change->with)->all(),
        );
        self::assertSame(2, (int) DB::table('links')->where('code', 'abcdefghij')->value('opened'));
    }
}
