<?php

declare(strict_types=1);

namespace Tests\Feature\Rules;

use App\Intake\ChangeOrigin;
use App\Intake\RecordWriter;
use App\Models\Field;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Role;
use App\Models\Rule;
use App\Models\RuleEdit;
use App\Pages\Rules\Failed;
use App\Pages\Rules\Writing;
use App\Rules\Vocabularies;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Linnet\Core\Intake\PersonInput;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Prose\ProseError;
use Linnet\Core\Prose\Sentences;
use Linnet\Core\Record\RecordType as CoreType;

/** Rules written in sentences. */
final class WritingTest extends FrontDeskTestCase
{
    public function testASentenceIsWrittenChangedMovedCopiedAndTakenOut(): void
    {
        $this->write($this->rule, 'insert', 'It stops', 'add the tag "rang"')->assertRedirect();
        self::assertSame(['wait', 'text', 'wait', 'go_on_only_if', 'text', 'change'], $this->does());
        $this->write($this->rule, 'up', 'add the tag')->assertRedirect();
        self::assertSame(['wait', 'text', 'change', 'wait', 'go_on_only_if', 'text'], $this->does());
        $this->write($this->rule, 'copy', 'add the tag')->assertRedirect();
        $this->write($this->rule, 'rewrite', 'add the tag', 'remove the tag "rang"')->assertRedirect();
        self::assertSame(
            [['tag' => ['rang']], ['tag' => ['rang']]],
            [$this->steps()[2]['remove'] ?? null, $this->steps()[3]['add'] ?? null],
        );
        $this->write($this->rule, 'remove', 'remove the tag')->assertRedirect();
        self::assertSame(['wait', 'text', 'change', 'wait', 'go_on_only_if', 'text'], $this->does());
        // What was there keeps its ids: runs and results hang on them.
        self::assertSame(
            ['breathe', 'first', 'a-day', 'no-reply', 'second'],
            array_values(array_filter(array_column($this->steps(), 'id'), fn (string $id): bool => preg_match('/^s\d+$/', $id) !== 1)),
        );
    }

    public function testWhatCannotBeUnderstoodIsSaidAtItsPlaceAndKept(): void
    {
        $answer = $this->write($this->rule, 'insert', 'It stops', 'wait until the stert')
            ->assertStatus(422)
            ->assertSee('wait until the stert')
            ->assertSee('is not understood behind');
        self::assertStringContainsString('Did you mean “start”?', html_entity_decode((string) $answer->getContent(), ENT_QUOTES));
        self::assertNull($this->rule->refresh()->draft);
        $this->write($this->rule, 'words', 'wait 2 minutes', 'Hello {{ first_name')
            ->assertStatus(422)
            ->assertSee('Hello {{ first_name')
            ->assertSee('This field begins with');
        $this->write($this->rule, 'rewrite', 'wait 2 minutes', '')->assertStatus(422);
        self::assertNull($this->rule->refresh()->draft);
    }

    public function testEveryChangeCanBeUndoneAndDoneAgain(): void
    {
        $this->write($this->rule, 'insert', 'It stops', 'add the tag "one"');
        $this->write($this->rule, 'insert', 'It stops', 'add the tag "two"');
        $this->travelToMoment('2026-03-03 09:00');
        $this->post(route('rules.undo', $this->rule))->assertSessionHas('done', 'Undone: added “add the tag "two"”.');
        self::assertCount(6, $this->steps());
        $this->post(route('rules.undo', $this->rule));
        self::assertNull($this->rule->refresh()->draft);
        $this->post(route('rules.undo', $this->rule))->assertSessionHas('done', 'There is nothing to undo.');
        $this->post(route('rules.redo', $this->rule));
        $this->post(route('rules.redo', $this->rule))->assertSessionHas('done', 'Done again: added “add the tag "two"”.');
        self::assertSame(['tag' => ['two']], $this->steps()[6]['add']);
        $this->post(route('rules.draft.publish', $this->rule));
        self::assertSame(0, RuleEdit::query()->count());
    }

    public function testTwoWhoWriteAtDifferentPlacesBothStayAndAtTheSamePlaceTheSecondIsAsked(): void
    {
        // Both look at the rule as it is published.
        $this->write(
            $this->rule, 'rewrite', 'wait 2 minutes', 'wait 3 minutes, then text the caller from the line they called, as a service text',
        )->assertRedirect();
        $this->actingAs($this->staff(Role::Administrator));
        $this->write($this->rule, 'insert', 'It stops', 'add the tag "rang"', base: 0)->assertSessionHas(
            'done',
            fn (string $said): bool => str_contains($said, 'meanwhile wrote “wait 3 minutes'),
        );
        self::assertSame([3, 'change'], [$this->steps()[0]['for']['amount'], $this->does()[5]]);

        $this->write(
            $this->rule, 'rewrite', 'wait 3 minutes', 'wait 9 minutes, then text the caller from the line they called, as a service text',
            base: 0, line: 1,
        )
            ->assertStatus(409)
            ->assertSee('changed the same place meanwhile')
            ->assertSee('wait 9 minutes')
            ->assertSee('3 minutes');
        self::assertSame(3, $this->steps()[0]['for']['amount']);
    }

    public function testWhatCannotStayIsShownAtTheSentenceItWasMeantForOrAboveAllWhereThatIsGone(): void
    {
        $this->write($this->rule, 'insert', 'wait 2 minutes', 'add the tag "rang"')->assertRedirect();
        $this->write(
            $this->rule, 'rewrite', 'wait 2 minutes', 'wait 3 minutes, then text the caller from the line they called, as a service text',
        )->assertRedirect();
        $failed = fn (TestResponse $answer): Failed => $answer->assertStatus(409)->viewData('failed');

        // Line 1 as it was seen: it stands at 2 now.
        $mine = $failed(
            $this->write(
                $this->rule, 'rewrite', '', 'wait 9 minutes, then text the caller from the line they called, as a service text', base: 0,
                line: 1,
            ),
        );
        self::assertSame(
            [2, true],
            [$mine->line, $mine->hasPlace((new Writing(Vocabularies::language(), $this->rule->refresh()->written()))->lines)],
        );

        $base = (int) $this->rule->edit_id;
        $this->write($this->rule, 'remove', 'wait 1 day')->assertRedirect();
        $lost = $failed(
            $this->write(
                $this->rule, 'rewrite', '',
                'wait 8 days, then go on only if they have not replied, then text the caller from the line they called, as a service text',
                base: $base, line: 4,
            )
                ->assertSee('at a place that is there no more')
                ->assertSee('wait 8 days'),
        );
        self::assertNull($lost->line);
    }

    public function testARuleBeginsWithItsFirstSentenceOrWithAllOfThem(): void
    {
        $this->get('/rules/new')->assertOk();
        $this->post('/rules/new', ['text' => 'When a booking comes in, if its state is booked'])->assertSessionHasNoErrors();
        $rule = Rule::query()->orderByDesc('id')->firstOrFail();
        self::assertSame(
            ['record_added', ['field' => 'booking.state', 'test' => 'is', 'value' => 'booked'], null],
            [$rule->draft['trigger']['on'] ?? null, $rule->draft['conditions'] ?? null, $rule->version_id],
        );
        $this->get("/rules/$rule->id")
            ->assertOk()
            ->assertSee('the guest');

        $this->post('/rules/new', [
            'text' => "Rule: Pasted\nWhen a call comes in:\n  wait 2 minutes.\n  text the caller from the line they called, as a service text:\n    | Hello\nIt starts every time.",
        ])->assertSessionHasNoErrors();
        self::assertSame('Pasted', Rule::query()->orderByDesc('id')->firstOrFail()->name);
        $this->post('/rules/new', ['text' => "When a call comes in:\n  dance."])->assertSessionHasErrors([
            'text' => 'Line 2, character 3: “dance” does not begin a sentence here. It may begin with: text, ask, wait, wait until, go on only if, if, set, clear, add, remove, put them onto, take them off and 8 more.',
        ]);
        $this->post('/rules/new', ['text' => ''])->assertSessionHasErrors('text');
    }

    public function testWhatMayComeNextIsOfferedWithTheSamplesOwnValues(): void
    {
        $this->post('/records/booking', [
            'fields' => [
                'lesson' => 'Tour', 'state' => 'booked', 'starts_at' => '2026-03-14T10:00', 'who' => '#'.$this->person(self::WEN)->id,
            ],
        ])->assertSessionHasNoErrors();
        $this->post('/rules/new', ['text' => 'When a booking comes in']);
        $rule = Rule::query()->orderByDesc('id')->firstOrFail();
        $sample = Record::query()->max('id');
        $this->get(route('rules.completions', [$rule, 'which' => 'steps', 'text' => 'wait until 20 minutes before', 'sample' => $sample]))
            ->assertOk()
            ->assertSeeInOrder(['the start', 'Sat 14 March 09:40 for Wen']);
        $this->get(route('rules.completions', [$rule, 'which' => 'steps', 'text' => 'go on only if its state is', 'sample' => $sample]))
            ->assertOk()
            ->assertSeeInOrder(['booked', 'yes: ', 'cancelled', 'no: ']);
        $this->get(route('rules.completions', [$rule, 'which' => 'steps', 'text' => '<script>']))
            ->assertOk()
            ->assertDontSee('<script>', false);
        $this->get(route('rules.completions', [$rule, 'which' => 'poetry', 'text' => '']))->assertSessionHasErrors('which');
        // In the place of a word stands whatever leaves the sentence standing.
        $this->get(route('rules.choices', [$rule, 'line' => 1, 'piece' => 3]))
            ->assertOk()
            ->assertSeeInOrder(['the line they called', 'the front desk', 'the workshop']);
        $this->get(route('rules.choices', [$rule, 'line' => 99, 'piece' => 3]))->assertNotFound();
        $this->post(route('rules.sentences', $rule), [
            'do' => 'word', 'line' => 1, 'base' => 0, 'before' => 'text the guest from ', 'text' => 'the workshop',
            'after' => ', as a service text',
        ])->assertSessionHasNoErrors();
        self::assertSame('workshop', $rule->refresh()->draft['steps'][0]['from']['key'] ?? null);
    }

    public function testEveryExampleOfABeginningIsUnderstood(): void
    {
        preg_match_all(
            '#data-whole="([^"]*)".*?<small>(.*?)</small>#s',
            (string) $this->get(route('rules.begin.completions'))->assertOk()->getContent(), $offered, PREG_SET_ORDER,
        );
        $phrase = Vocabularies::language()->line(CoreType::PERSON, '', 'beginning');
        $examples = array_map(
            fn (array $one): string => html_entity_decode("$one[1] $one[2]", ENT_QUOTES),
            array_values(array_filter($offered, fn (array $one): bool => $one[2] !== '')),
        );
        $wrong = array_filter($examples, fn (string $sentence): bool => Sentences::read($phrase, $sentence) instanceof ProseError);

        self::assertGreaterThan(12, count($examples));
        self::assertSame([], $wrong);
    }

    public function testWhenAPersonComesInARuleBegins(): void
    {
        $this->post(route('rules.begin.store'), [
            'text' => "Rule: Welcome\nWhen a person comes in:\n  text the person from the front desk, as a service text:\n    | Good to know you.\nIt goes on even if they reply. It starts every time.",
        ])->assertSessionHasNoErrors();
        $rule = Rule::query()->orderByDesc('id')->firstOrFail();
        $this->post(route('rules.draft.publish', $rule));
        $this->put(route('rules.power', $rule), ['power' => 'on']);
        DB::transaction(
            fn () => resolve(RecordWriter::class)->person(
                new PersonInput(number: Numbers::read('07700 900888', 'GB'), own: ['first_name' => 'Noor']),
                ChangeOrigin::staff($this->staff(Role::Administrator)),
            ),
        );
        $this->work();

        self::assertStringContainsString('Good to know you.', implode(' ', array_column($this->handedOver, 'text')));
    }

    public function testWhatTwoRulesSendForTheSameAndRulesInARingAreDrawn(): void
    {
        $this->missedCall(self::WEN);
        $this->work();
        $make = function (string $text): Rule {
            $this->post(route('rules.begin.store'), ['text' => $text])->assertSessionHasNoErrors();

            return Rule::query()->orderByDesc('id')->firstOrFail();
        };
        $twin = $make(
            "Rule: Twin\nWhen a call comes in, if its outcome is missed:\n  wait 1 hour.\n  text the caller from the front desk, as a service text:\n    | Twice.\nIt goes on even if they reply. It starts every time.",
        );
        $this->get(route('rules.checks', $twin))
            ->assertOk()
            ->assertSee('hx-get="'.route('rules.overlap', [$twin, 'with' => $this->rule->name]), false);
        $this->get(route('rules.overlap', [$twin, 'with' => $this->rule->name]))
            ->assertOk()
            ->assertSee('Twin: Mon 2 Mar 11:00; '.$this->rule->name.': Mon 2 Mar 10:02, Tue 3 Mar 10:02')
            ->assertSee('What Wen would get from both.');
        self::assertSame('', trim((string) $this->get(route('rules.overlap', [$twin, 'with' => 'Nobody']))->getContent()));

        $there = $make(
            "Rule: There\nWhen somebody gets the tag \"here\":\n  add the tag \"there\".\nIt goes on even if they reply. It starts every time.",
        );
        $this->post(route('rules.draft.publish', $there));
        $this->put(route('rules.power', $there), ['power' => 'on']);
        $back = $make(
            "Rule: Back\nWhen somebody gets the tag \"there\":\n  add the tag \"here\".\nIt goes on even if they reply. It starts every time.",
        );
        $this->get(route('rules.checks', $back))->assertOk()->assertSee('<li>Back</li><li>There</li>', false);
    }

    public function testChecksStandBesideAndWhatIsWrongKeepsARuleFromBeingPublished(): void
    {
        $this->write(
            $this->rule, 'words', 'wait 2 minutes', 'Hello {{ first_name | or: "there" }} – see {{ call.whence }}',
        )->assertRedirect();
        $this->get(route('rules.checks', $this->rule))
            ->assertOk()
            ->assertSee('This keeps it from being published.')
            ->assertSee('Nothing has a field “call.whence”.')
            ->assertSee('Write it plainly')
            ->assertSee('Hello {{ first_name | or: &quot;there&quot; }} - see {{ call.whence }}', false);
        $this->post(route('rules.draft.publish', $this->rule))->assertSessionHasErrors(['publish' => 'Nothing has a field “call.whence”.']);
        self::assertSame(1, $this->rule->refresh()->version?->number);

        $this->write($this->rule, 'words', 'wait 2 minutes', 'Hello {{ first_name | or: "there" }}')->assertRedirect();
        $this->get(route('rules.checks', $this->rule))->assertDontSee('This keeps it from being published.');
        $this->post(route('rules.draft.publish', $this->rule))->assertSessionHasNoErrors();
        self::assertSame(2, $this->rule->refresh()->version->number);
    }

    public function testWhatMightHappenIsDrawn(): void
    {
        $this->missedCall(self::WEN);
        $this->work();
        $texts = fn (string ...$if): string => (string) preg_replace(
            '/.*aria-label="(\d+) texts on the time line.*/s',
            '$1',
            (string) $this->get(route('rules.show', [$this->rule, 'if' => $if]))->assertOk()->getContent(),
        );

        self::assertSame('2', $texts());
        self::assertSame('1', $texts('they write "Who is this?" 2 hours after text a'));
        self::assertSame('2', $texts('they write "Who is this?" 2 days after text a'));
        self::assertSame('1', $texts('they text STOP after text a'));
        $this->write(
            $this->rule, 'rewrite', 'It stops', 'It stops as soon as they reply. It goes on only as long as its outcome is missed',
        )->assertRedirect();
        self::assertSame('1', $texts('its outcome becomes answered after 1 hour'));
        self::assertSame('0', $texts('its outcome becomes answered after 1 minute', 'they text STOP after text a'));

        $this->get(route('rules.show', [$this->rule, 'if' => ['they answer YES after text a', 'they sing after text a']]))
            ->assertSeeText('if they answer YES after text a')
            ->assertSee('“sing” is not understood behind “they”.');
        // What is supposed stays while one writes.
        $edit = $this->post(
            route('rules.sentences', [$this->rule, 'if' => ['they text STOP after text a']]),
            ['do' => 'insert', 'line' => 1, 'depth' => 1, 'text' => 'add the tag "x"', 'base' => (int) $this->rule->refresh()->edit_id],
            ['HX-Request' => 'true'],
        );
        self::assertStringContainsString('they text STOP after text a', (string) $edit->assertOk()->getContent());
    }

    public function testAnyRecordCanBeTheSampleFoundByWhatIsTyped(): void
    {
        $this->missedCall(self::WEN);
        $this->work();
        $old = Record::query()
            ->whereHas('type', fn ($type) => $type->where('key', 'call'))
            ->whereHas('person', fn ($person) => $person->named('Wen'))
            ->firstOrFail();
        for ($i = 0; $i < 60; $i++) {
            $old->replicate()->fill(['person_id' => $this->person('+447700900406')->id, 'external_id' => "late-$i"])->save();
        }
        $sought = $this->get(route('rules.samples', ['rule' => $this->rule, 'find' => 'wen', 'if' => ['they text STOP after text a']]), [
            'HX-Request' => 'true',
        ])
            ->assertOk()
            ->assertSee("sample=$old->id&amp;if%5B0%5D=they%20text%20STOP", false);
        self::assertSame(1, substr_count((string) $sought->getContent(), '<li>'));
        $this->get(route('rules.show', [$this->rule, 'sample' => $old->id]))
            ->assertOk()
            ->assertSeeText($old->person?->name().', call on');
        $this->get(route('rules.show', [$this->rule, 'find' => '900406']))
            ->assertOk()
            ->assertDontSee("sample=$old->id");
        $this->get(route('rules.samples', ['rule' => $this->rule, 'find' => '%_']))
            ->assertOk()
            ->assertSee('Nothing with a person is called so.');
    }

    public function testVersionsSayWhatTheyChangedAndOneCanBeGoneBackTo(): void
    {
        $this->get(route('rules.versions', $this->rule))->assertOk()->assertSee('The first.');
        $this->write(
            $this->rule, 'rewrite', 'wait 2 minutes', 'wait 5 minutes, then text the caller from the line they called, as a service text',
        );
        $this->post(route('rules.draft.publish', $this->rule))->assertSessionHasNoErrors();
        $this->get(route('rules.versions', $this->rule))
            ->assertOk()
            ->assertSeeTextInOrder([
                'Version 2', 'Mira Okafor', 'Gone:', 'wait 2 minutes, then text the caller', 'New:', 'wait 5 minutes', 'Version 1',
            ]);
        $first = $this->rule->versions()->where('number', 1)->firstOrFail();
        $this->post(route('rules.versions.restore', [$this->rule, $first]))->assertRedirect();
        self::assertSame(2, $this->steps()[0]['for']['amount']);
        self::assertSame(2, $this->rule->refresh()->version?->number);
        $this->post(
            route('rules.versions.restore', [Rule::query()->whereKeyNot($this->rule->id)->firstOrFail(), $first]),
        )->assertNotFound();
    }

    public function testAFieldIsSaidByTheNounItIsGiven(): void
    {
        $type = RecordType::query()->where('key', 'booking')->firstOrFail();
        $field = Field::query()->where('record_type_id', $type->id)->where('key', 'starts_at')->firstOrFail();
        $this->put(route('record-types.fields.update', [$type, $field]), [
            'name' => 'Starts',
            'noun' => 'the first stroke',
        ])->assertSessionHasNoErrors();
        $this->put(route('record-types.fields.update', [$type, $field]), [
            'name' => 'Starts',
            'noun' => 'a “start”',
        ])->assertSessionHasErrors("noun-$field->id");
        $this->put(route('record-types.update', $type), [
            'name' => 'Booking',
            'plural' => 'Bookings',
            'person_noun' => 'paddler',
        ])->assertSessionHasNoErrors();
        $this->post('/rules/new', ['text' => '2 hours before the first stroke of a booking'])->assertSessionHasNoErrors();
        $this->get('/rules/'.Rule::query()->max('id'))->assertOk()->assertSee('the first stroke of a booking')->assertSee('the paddler');
    }

    /** @return list<string> */
    private function does(): array
    {
        return array_column($this->steps(), 'do');
    }

    /** @return list<array<string, mixed>> */
    private function steps(): array
    {
        return array_values($this->rule->refresh()->written()->toDocument()['steps']);
    }
}
