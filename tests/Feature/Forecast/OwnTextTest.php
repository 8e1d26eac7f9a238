<?php

declare(strict_types=1);

namespace Tests\Feature\Forecast;

use App\Engine\Runner;
use App\Models\ComingText;
use App\Models\Line;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\Person;
use App\Models\Role;
use App\Models\Rule;
use Illuminate\Testing\TestResponse;
use Linnet\Core\Record\ActivationState;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\TestCase;

/** One person's text, decided of wherever it is shown. */
final class OwnTextTest extends TestCase
{
    private Person $wen;

    protected function setUp(): void
    {
        parent::setUp();
        $this->missedCall(self::WEN);
        $this->work();
        $this->forecast();
        $this->wen = $this->person(self::WEN);
        $this->actingAs($this->staff(Role::Operator));
    }

    public function testWordsOfItsOwnAreShownAndSentAndCountForNoWording(): void
    {
        $this->decide('words', ['text' => '{{ first_name | or: "You" }}, the kettle is on.'])
            ->assertSessionHas('done', 'It has words of its own.');
        $by = $this->staff(Role::Operator)->name;
        $this->get(route('people.show', $this->wen))
            ->assertSee('the kettle is on')
            ->assertSee("made personal by $by")
            ->assertSee("$by gave text a words of its own.");

        $this->travelToMoment('2026-03-02 10:02');
        $this->work();

        $text = $this->textsTo(self::WEN)[0];
        self::assertStringContainsString('the kettle is on', $text->body);
        self::assertSame('', $text->wording);
    }

    public function testWhatCannotBeIsSaidAtItsPlaceAndChangesNothing(): void
    {
        $before = $this->coming()->body;
        $text = $this->coming();
        $form = route('people.text', [
            'person' => $this->wen, 'rule' => $text->rule_id, 'record' => $text->record_id, 'which' => $text->name,
        ]);

        $this->decide('words', ['text' => 'Hello {{ first_nam }}'])->assertRedirect($form)->assertSessionHasErrors('text');
        $this->decide('words', ['text' => 'Hello {{ first_name'])->assertRedirect($form)->assertSessionHasErrors('text');
        $this->decide('words', ['text' => ''])->assertSessionHasErrors('text');
        $this->decide('move', ['at' => '2026-03-02T09:00'])->assertSessionHasErrors(['at' => 'That is past. It is Mon 2 March 10:00 now.']);
        $this->decide('move', ['at' => 'soon'])->assertSessionHasErrors('at');
        $this->decide('undo', ['back' => '//elsewhere.example'])->assertRedirect(route('people.show', $this->wen));

        self::assertSame($before, $this->coming()->body);
    }

    public function testItIsMovedSkippedLetGoAndTakenBack(): void
    {
        $this->decide('move', ['at' => '2026-03-02T15:30']);
        self::assertSame('2026-03-02 15:30:00', (string) $this->coming()->leaves_at);
        $this->decide('undo');
        self::assertSame('2026-03-02 10:02:00', (string) $this->coming()->leaves_at);

        $this->decide('skip');
        self::assertTrue($this->coming()->left_out);
        $this->get(route('ahead', ['show' => 'all']))->assertDontSee('sorry we missed your call');
        $this->get(route('people.show', $this->wen))->assertSee('decided so')->assertSee('As it was');
        $this->decide('undo');
        self::assertFalse($this->coming()->left_out);

        $this->decide('now');
        $this->work();
        self::assertCount(1, $this->handedOver);
        $this->decide('skip', which: 'first/1')->assertSessionHas('done', 'It has left by now, or is not to come any more.');
    }

    public function testATextThatWaitsAlreadyTakesWhatIsDecided(): void
    {
        $desk = Line::query()->where('key', 'front-desk')->firstOrFail();
        $desk->update(['power' => ActivationState::Paused]);
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        $this->forecast();
        $held = Message::query()->where('person_id', $this->wen->id)->where('state', MessageState::Waiting)->firstOrFail();
        self::assertSame($held->id, $this->coming()->message_id);

        $this->decide('words', ['text' => 'Good morning.']);
        $this->decide('move', ['at' => '2026-03-02T11:00']);
        resolve(Runner::class)->switchLine($desk, ActivationState::On);
        $this->work();
        self::assertSame(MessageState::Waiting, $held->refresh()->state);
        self::assertSame('text.moved', $held->reason['code'] ?? null);

        $this->travelToMoment('2026-03-02 11:00');
        $this->work();
        self::assertStringContainsString('Good morning.', $held->refresh()->body);
        self::assertSame('2026-03-02 11:00', $held->left_at?->format('Y-m-d H:i'));
    }

    public function testWhileItsRuleIsPausedItIsKeptForLater(): void
    {
        $rule = Rule::query()->findOrFail($this->coming()->rule_id);
        $which = $this->coming();
        $rule->update(['power' => ActivationState::Paused]);
        $this->decide('words', ['text' => 'The kettle is on.'], $which);
        $this->travelToMoment('2026-03-02 10:10');
        $this->work();
        self::assertSame([], $this->handedOver);

        resolve(Runner::class)->switchOn($rule->refresh());
        $this->work();
        self::assertStringContainsString('The kettle is on.', $this->handedOver[0]['text']);
    }

    private function coming(): ComingText
    {
        return ComingText::query()->where('person_id', $this->wen->id)->orderBy('id')->firstOrFail();
    }

    /**
     * @param  array<string, string>  $with
     * @return TestResponse<Response>
     */
    private function decide(string $do, array $with = [], ?ComingText $of = null, ?string $which = null): TestResponse
    {
        $of ??= $this->coming();

        return $this->post(route('people.text.store', $this->wen), [
            'do' => $do, 'rule' => $of->rule_id, 'record' => $of->record_id, 'which' => $which ?? $of->name, ...$with,
        ]);
    }
}
