<?php

declare(strict_types=1);

namespace Tests\Feature\Screens;

use App\Models\Message;
use App\Models\Role;
use App\Models\Rule;
use Linnet\Core\Record\ActivationState;
use Tests\Feature\TestCase;

/** A text's own page, and why nothing went. */
final class TextPageTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->missedCall(self::WEN);
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
    }

    public function testEverythingAboutOneTextStandsOnItsPage(): void
    {
        $text = $this->textsTo(self::WEN)[0];
        $this->fromCarrier([
            'kind' => 'receipt', 'key' => (string) $text->key, 'ref' => (string) $text->carrier_ref, 'fate' => 'arrived',
            'at' => '2026-03-02T10:02:07Z',
        ])->assertOk();
        $this->travelToMoment('2026-03-02 10:10');
        $this->textFrom(self::WEN, 'Two canoes on Sunday, please');
        $this->work();

        $page = $this->actingAs($this->staff(Role::Viewer))->get(route('messages.show', $text))->assertOk();
        foreach ([
            $text->body, 'text a, version 1', 'Let go.', 'Arrived, the carrier says.', 'Two canoes on Sunday, please', 'Its checks',
            'Follow-ups dropped: Wen replied.', 'POST http://carrier.test/texts', "Idempotency-Key: $text->key", 'HTTP 202',
            '3.2p',
        ] as $said) {
            $page->assertSee($said);
        }
        $page->assertDontSee('carrier-secret')->assertSee('Bearer ••••');
        $this->get("/sent/$text->id/why")->assertRedirect("/sent/$text->id");
    }

    public function testATextThatFailedSaysWhatTheCarrierAnswered(): void
    {
        $text = $this->textsTo(self::WEN)[0];
        $this->fromCarrier([
            'kind' => 'receipt', 'key' => (string) $text->key, 'ref' => (string) $text->carrier_ref, 'fate' => 'failed',
            'detail' => 'nobody has this number', 'at' => '2026-03-02T10:02:07Z',
        ]);

        $this->actingAs($this->staff(Role::Viewer))->get(route('messages.show', $text))
            ->assertSee('Failed, the carrier says: nobody has this number.');
    }

    public function testWhyNothingWentIsSaidFromWhatWasDecidedAndElseByAskingNow(): void
    {
        $workshop = Rule::query()->where('key', 'workshop-missed-call')->firstOrFail();
        $wen = $this->person(self::WEN);
        $this->actingAs($this->staff(Role::Viewer));
        $why = fn (Rule $rule): string => route('people.why-not', ['person' => $wen, 'rule' => $rule->id]);

        $this->get($why($workshop))->assertOk()->assertSee('Not started: the line called is “front desk”.')->assertSee('The rule is on.');
        $workshop->update(['power' => ActivationState::Paused]);
        $this->get($why($workshop))->assertSee('the rule is off');
        $this->get(route('people.show', $wen))->assertSee('Why not?');

        $front = Rule::query()->where('key', 'front-desk-missed-call')->firstOrFail();
        $this->get($why($front))->assertSee('What it did send')->assertSee(
            route('messages.show', Message::query()->where('rule_id', $front->id)->firstOrFail()), false,
        );
        $this->get(route('people.why-not', ['person' => $wen, 'rule' => 99999]))->assertNotFound();
        $this->get(route('people.why-not', ['person' => $wen, 'rule' => 'x']))->assertSessionHasErrors('rule');
    }
}
