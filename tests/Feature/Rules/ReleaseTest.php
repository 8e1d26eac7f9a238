<?php

declare(strict_types=1);

namespace Tests\Feature\Rules;

use App\Engine\ReleasePrompts;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\OutboundTask;
use App\Models\Role;
use App\Models\Rule;
use App\Models\RuleVersion;
use Illuminate\Support\Facades\Queue;
use Tests\Feature\TestCase;

/** Texts that wait for a person: looked through, let go together, held back within a minute. */
final class ReleaseTest extends TestCase
{
    private Rule $rule;

    protected function setUp(): void
    {
        parent::setUp();
        $this->rule = Rule::query()->where('key', 'front-desk-missed-call')->firstOrFail();
        $version = RuleVersion::query()->findOrFail($this->rule->version_id);
        $version->update(['document' => ['release' => ['texts' => 'in_one_batch', 'ask_at' => '11:00']] + $version->document]);
        foreach ([self::WEN, '+447700900302', '+447700900303'] as $number) {
            $this->missedCall($number);
        }
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        $this->forecast();
        $this->actingAs($this->staff(Role::Administrator));
    }

    public function testABatchIsLookedThroughOneLeftOutAndTheRestLetGoUndoneAndLetGoAgain(): void
    {
        $this->get(route('rules.batch', $this->rule))
            ->assertSee('Three texts wait to be let go')
            ->assertSee('sorry we missed your call')
            ->assertSee('asks at 11:00 each day');
        $wen = $this->person(self::WEN);
        $text = Message::query()->where('person_id', $wen->id)->firstOrFail();
        $this->post(route('people.text.store', $wen), [
            'do' => 'skip', 'rule' => $this->rule->id, 'record' => $text->run?->record_id, 'which' => 'first/1',
        ]);
        $this->post(route('rules.release', $this->rule), ['newest' => (int) Message::query()->max('id')])
            ->assertSessionHas('done', 'Two texts leave at 10:03:00, as far as the gate lets them.');

        // Whatever looks at them meanwhile, they leave at their moment.
        $this->travelToMoment('2026-03-02 10:02:30');
        $this->work();
        self::assertSame([], $this->handedOver);
        $this->get(route('rules.batch', $this->rule))->assertSee('Hold them back');
        $this->post(route('rules.release.undo', $this->rule))->assertSessionHas('done', 'Two texts wait again.');
        $this->travelToMoment('2026-03-02 10:05');
        $this->work();
        self::assertSame([], $this->handedOver);

        $this->post(route('rules.release', $this->rule));
        $this->travelToMoment('2026-03-02 10:06');
        $this->work();
        self::assertCount(2, $this->handedOver);
        $this->post(route('rules.release.undo', $this->rule))->assertSessionHas('done', 'It was too late: they have left.');
        self::assertSame(MessageState::Dropped, $text->refresh()->state);
    }

    public function testWhatCameSinceTheListWasSeenIsNotLetGo(): void
    {
        $seen = (int) Message::query()->max('id');
        $this->missedCall('+447700900304');
        $this->travelToMoment('2026-03-02 10:05');
        $this->work();

        $this->post(route('rules.release', $this->rule), ['newest' => $seen]);
        $this->travelToMoment('2026-03-02 10:06');
        $this->work();

        self::assertCount(3, $this->handedOver);
        $this->get(route('rules.batch', $this->rule))->assertSee('One text waits to be let go');
    }

    public function testThoseWhoReleaseAreAskedByMailAtTheHourOnce(): void
    {
        config(['mail.default' => 'smtp']);
        Queue::fake();
        $prompts = resolve(ReleasePrompts::class);
        self::assertSame(0, $prompts->send());

        $this->travelToMoment('2026-03-02 11:00');
        $prompts->send();
        $prompts->send();

        $mail = OutboundTask::query()->sole();
        self::assertSame($this->staff(Role::Administrator)->email, $mail->address);
        self::assertStringContainsString('Three texts', (string) $mail->body['words']);
        self::assertStringContainsString(route('rules.batch', $this->rule), (string) $mail->body['words']);
        $this->get(route('today'))->assertSee('Look through them');
    }
}
