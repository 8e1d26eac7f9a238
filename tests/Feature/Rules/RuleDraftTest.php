<?php

declare(strict_types=1);

namespace Tests\Feature\Rules;

use App\Models\Role;
use App\Models\Rule;
use App\Models\RuleVersion;
use Illuminate\Http\UploadedFile;
use Linnet\Core\Record\ActivationState;

final class RuleDraftTest extends FrontDeskTestCase
{
    public function testWhatARuleIsCalledCanBeChanged(): void
    {
        $this->patch(route('rules.draft.update', $this->rule), ['name' => 'Front desk, again', 'folder' => 'Calls', 'key' => 'desk'])
            ->assertSessionHasNoErrors()
            ->assertRedirect();
        self::assertSame(['Front desk, again', 'desk'], [$this->rule->refresh()->draft['name'] ?? null, $this->rule->draft['key'] ?? null]);
        self::assertSame(1, RuleVersion::query()->where('rule_id', $this->rule->id)->count());
        $this->patch(route('rules.draft.update', $this->rule), ['name' => 'Front desk, again', 'folder' => 'Kept apart', 'key' => 'desk']);
        $this->get('/rules?folder=Kept+apart')
            ->assertOk()
            ->assertSee('Kept apart')
            ->assertSee('Front desk')
            ->assertDontSee('Workshop: missed call');
        $this->get('/rules?folder=Calls')->assertSee('Workshop: missed call')->assertDontSee('Front desk:');
        $this->patch(route('rules.draft.update', $this->rule), ['name' => ''])->assertSessionHasErrors('name');
        $this->patch(route('rules.draft.update', $this->rule), ['name' => 'x', 'key' => 'No key'])->assertSessionHasErrors('key');
    }

    public function testPublishingLeavesWhatIsUnderWayOnTheOldWords(): void
    {
        $this->missedCall(self::WEN);
        $this->work();
        $this->write($this->rule, 'words', 'wait 2 minutes', 'New words for {{ first_name }}')->assertRedirect();
        $this->post(route('rules.draft.publish', $this->rule))->assertRedirect();
        $this->missedCall('+447700900308');
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();

        self::assertStringContainsString('sorry we missed your call', $this->handedOver[0]['text']);
        self::assertStringContainsString('New words for Priya', $this->handedOver[1]['text']);
        self::assertSame([2, null], [$this->rule->refresh()->version?->number, $this->rule->draft]);
    }

    public function testAChangeTakenBackIsNoDraft(): void
    {
        $this->write($this->rule, 'rewrite', 'it stops', 'It goes on even if they reply');
        $this->write($this->rule, 'rewrite', 'it goes', 'It stops as soon as they reply');
        self::assertNull($this->rule->refresh()->draft);

        $this->write($this->rule, 'rewrite', 'it stops', 'It goes on even if they reply');
        $this->delete(route('rules.draft.destroy', $this->rule))->assertRedirect();
        self::assertNull($this->rule->refresh()->draft);
    }

    public function testThePageReadsAsProseWithTheTextAtItsMoment(): void
    {
        $this->missedCall('+14165550142');
        $this->work();

        $page = $this->get(route('rules.show', $this->rule))->assertOk()
            ->assertSee('Osier Quay Boathouse: Hello Ana, sorry we missed your call at 04:59')
            ->assertSee('held from 05:02')->assertSee('0.9p to Ana')->assertSee('hours shown in Toronto');
        self::assertStringContainsString(
            'When a call comes in, if its outcome is missed and its line is the front desk and we are open:',
            (string) preg_replace('/\s+/', ' ', strip_tags((string) preg_replace('#<form.*?</form>#s', '', (string) $page->getContent()))),
        );
    }

    public function testACopyIsADraftOfItsOwn(): void
    {
        $this->post('/starters/booking-soon', ['line' => 'front-desk'])->assertRedirect();
        $starter = Rule::query()->orderByDesc('id')->firstOrFail();
        $this->post('/records/booking', [
            'fields' => [
                'lesson' => 'Tour', 'state' => 'booked', 'starts_at' => '2026-03-10T10:00', 'who' => '#'.$this->person(self::WEN)->id,
            ],
        ])->assertSessionHasNoErrors();
        $this->get("/rules/$starter->id/agreement")->assertSee(
            'In the next four weeks it would begin for one booking, of one person, as things stand.',
        );

        $this->post("/rules/{$this->rule->id}/copy")->assertRedirect();
        $copy = Rule::query()->orderByDesc('id')->firstOrFail();
        $this->post("/rules/$copy->id/draft/publish")->assertSessionHasNoErrors();
        // Other rules call the first by its key; the copy has one of its own.
        self::assertSame(['front-desk-missed-call', 'front-desk-missed-call-2'], [$this->rule->refresh()->key, $copy->refresh()->key]);
    }

    public function testARetiredRuleEndsWhatIsUnderWayAndStaysRetired(): void
    {
        $this->missedCall(self::WEN);
        $this->work();
        $this->get(route('rules.show', $this->rule))->assertSee('One is under way and will end; 0 texts that wait will be dropped.');
        $this->put(route('rules.power', $this->rule), ['power' => 'retired'])->assertSessionHas(
            'done',
            'The rule is retired. What was under way has ended.',
        );
        $this->travelToMoment('2026-03-02 10:10');
        $this->missedCall(self::WEN);
        $this->work();

        self::assertSame([], $this->handedOver);
        $this->put(route('rules.power', $this->rule), ['power' => 'on'])->assertSessionHas(
            'done',
            'It was retired. Make a copy to use it again.',
        );
        self::assertSame(ActivationState::Retired, $this->rule->refresh()->power);
    }

    public function testPublishingIsAgreedToInOnePlainParagraph(): void
    {
        foreach ([self::WEN, '+447700900308', '+447700900315'] as $number) {
            $this->missedCall($number);
        }
        $this->textFrom('+447700900322', 'STOP');
        $this->work();
        $this->write(
            $this->rule, 'rewrite', 'wait 2 minutes', 'wait 5 minutes, then text the caller from the line they called, as a service text',
        );
        $agreement = fn (): string => (string) $this->get(route('rules.agreement', $this->rule))->assertOk()->getContent();

        $first = $agreement();
        self::assertStringStartsWith(
            'When a call comes in, if its outcome is missed and its line is the front desk and we are open: 2 texts, until they reply. What happened in the last four weeks would have begun it for three calls, of three people, by what is known of them now.',
            $first,
        );
        self::assertStringContainsString('With no answers, together they would get six texts, for', $first);
        self::assertStringContainsString(
            'For Jon, the first text would leave Mon 2 March 10:05: “Osier Quay Boathouse: Hello Jon',
            html_entity_decode($first),
        );
        self::assertStringContainsString('With no answer from them, it would send two texts for', $first);
        self::assertStringEndsWith('It may not be used for offers to people who have not agreed to them.', $first);

        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        self::assertStringContainsString('In the last four weeks it sent three texts, for ', $agreement());
        $this->rule->update([
            'draft' => [
                'steps' => array_map(
                    fn (array $step): array => $step['do'] === 'text' ? ['kind' => 'marketing'] + $step : $step,
                    $this->rule->refresh()->written()->toDocument()['steps'],
                ),
            ] + $this->rule->written()->toDocument(),
        ]);
        self::assertStringEndsWith('It may be used only for people who have agreed to offers; to others it is not sent.', $agreement());
    }

    public function testThoseWhoCameToTheEndTakeAFurtherStepTooIfAsked(): void
    {
        foreach ([self::WEN, '+447700900308'] as $number) {
            $this->missedCall($number);
        }
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        $this->travelToMoment('2026-03-03 10:03');
        $this->work();
        self::assertSame([2, 2], [count($this->textsTo(self::WEN)), count($this->textsTo('+447700900308'))]);
        $this->textFrom('+447700900308', 'STOP');
        $this->travelToMoment('2026-03-09 10:00');
        $this->work();
        $this->write(
            $this->rule, 'insert', 'It stops', 'wait 1 hour, then text the caller from the line they called, as a service text',
        )->assertRedirect();
        $this->get(route('rules.show', $this->rule))->assertOk()->assertSee('take the further step too');
        self::assertSame(
            'In the last 30 days one came to its end and would still be in it; for Wen Li, the first text would leave Mon 9 March 11:00.',
            (string) $this->get(route('rules.further', [$this->rule, 'days' => 30]))->assertOk()->getContent(),
        );
        self::assertStringContainsString(
            'nobody came',
            (string) $this->get(route('rules.further', [$this->rule, 'days' => 2]))->getContent(),
        );
        $this->post(route('rules.draft.publish', $this->rule), ['also' => 1, 'days' => 30])->assertSessionHas(
            'done',
            'Published. What starts from now on follows the new words; what is under way finishes on the old. One who had come to its end goes on at the further step.',
        );
        $this->travelToMoment('2026-03-09 11:00');
        $this->work();

        self::assertSame([3, 2], [count($this->textsTo(self::WEN)), count($this->textsTo('+447700900308'))]);
    }

    public function testThoseWhoWaitForTheGoalGoOnAtAFurtherStepToo(): void
    {
        $this->write(
            $this->rule, 'insert', 'It starts', 'It counts as a success when they have the tag "rang", within 30 days', depth: 0,
        )->assertRedirect();
        $this->post(route('rules.draft.publish', $this->rule))->assertSessionHasNoErrors();
        $this->missedCall(self::WEN);
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        $this->travelToMoment('2026-03-03 10:03');
        $this->work();
        $this->write(
            $this->rule, 'insert', 'It stops', 'wait 1 hour, then text the caller from the line they called, as a service text',
        )->assertRedirect();
        $this->post(route('rules.draft.publish', $this->rule), [
            'also' => 1,
            'days' => 30,
            'under_way' => 'move',
        ])->assertSessionHasNoErrors();
        $this->travelToMoment('2026-03-03 11:03');
        $this->work();

        self::assertCount(3, $this->textsTo(self::WEN));
    }

    public function testTheSampleIsAsItIsWhenTheRuleBegins(): void
    {
        $this->post('/records/deal', [
            'fields' => ['title' => 'Day out', 'stage' => 'asked', 'who' => self::WEN],
        ])->assertSessionHasNoErrors();
        $text =
            "Rule: Offer\nWhen the stage of a deal becomes offered:\n  wait 3 days, then go on only if its stage is offered.\n  text the customer from the front desk, as a service text:\n    | Any questions?\nIt stops as soon as they reply. It starts every time.";
        $this->post(route('rules.begin.store'), ['text' => $text])->assertSessionHasNoErrors();
        $rule = Rule::query()->orderByDesc('id')->firstOrFail();

        $this->get(route('rules.show', $rule))->assertOk()->assertSee('<div class="says">Osier Quay Boathouse: Any questions?', false);
    }

    public function testARuleGoesOutAsAFileAndComesInAsADraftThatIsOff(): void
    {
        $this->actingAs($this->staff(Role::Administrator));
        $document = (string) $this->get('/rules/1/document')->assertOk()->getContent();
        $take = fn (string $json) => $this->post('/rules', ['file' => UploadedFile::fake()->createWithContent('rule.json', $json)]);
        $take($document)->assertSessionHasNoErrors();
        $rule = Rule::query()->orderByDesc('id')->firstOrFail();
        self::assertSame(json_decode($document, true), $rule->draft);
        // The same as the text that Linnet can read.
        $text = (string) $this->get('/rules/1/document?as=text')
            ->assertOk()
            ->assertHeader('Content-Type', 'text/plain; charset=UTF-8')
            ->getContent();
        self::assertStringContainsString("When a call comes in, if its outcome is missed\n  and its line is the front desk\n", $text);
        $take($text)->assertSessionHasNoErrors();
        self::assertSame('Front desk: missed call, followed up', Rule::query()->orderByDesc('id')->firstOrFail()->name);
        $take(str_replace('wait 2 minutes', 'wait 2 moons', $text))->assertSessionHasErrors('file');
        self::assertStringContainsString('Line 8, character', (string) session('errors')?->first('file'));
        self::assertSame([ActivationState::Paused, null], [$rule->power, $rule->version_id]);
        $this->put("/rules/$rule->id/power", ['power' => 'on'])->assertSessionHas('done', 'Publish it first: nothing of it runs yet.');
        $this->get("/rules/$rule->id")->assertOk()->assertSee('Not published yet.');
        $this->get('/rules')->assertOk();
        $this->post("/rules/$rule->id/draft/publish")->assertRedirect();
        self::assertSame(1, $rule->refresh()->version?->number);
        $take(str_replace('"do": "wait"', '"do": "wiat"', $document))->assertSessionHasErrors('file');
        self::assertStringContainsString('$.steps[0].do: “wiat” is not one of', (string) session('errors')?->first('file'));
        $take('{')->assertSessionHasErrors('file');
    }
}
