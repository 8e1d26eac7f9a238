<?php

declare(strict_types=1);

namespace Tests\Feature\Screens;

use App\Database\SaidIndex;
use App\Models\Conversation;
use App\Models\Message;
use App\Models\Note;
use App\Models\Notice;
use App\Models\OutboundTask;
use App\Models\Role;
use App\Models\Task;
use Illuminate\Support\Facades\Mail;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\TestCase;

/** Whose a conversation is, when it is looked at, and what colleagues write to each other about it. */
final class ConversationsTest extends TestCase
{
    private const ANA = '+447700900308';

    private Conversation $wen;

    protected function setUp(): void
    {
        parent::setUp();
        $this->textFrom(self::WEN, 'Can I collect it Thursday?');
        $this->wen = Conversation::query()->sole();
        $this->travelToMoment('2026-03-02 10:20');
        $this->textFrom(self::ANA, 'One more seat?');
    }

    public function testWhoTakesItHasItAmongTheirs(): void
    {
        $nia = $this->staff(Role::Agent);
        $this->actingAs($nia);
        $this->put(route('conversations.owner', $this->wen), ['owner' => $nia->id])
            ->assertRedirect(route('conversations.show', $this->wen));
        $this->listed('mine')->assertSee('Can I collect it Thursday?')->assertDontSee('One more seat?');
        $this->listed('nobodys')->assertDontSee('Can I collect it Thursday?')->assertSee('One more seat?')->assertSee('Nobody’s 1');
        $this->listed('all', ['owner' => $nia->id])->assertDontSee('One more seat?');
        // Nobody is told of what they did themselves.
        self::assertSame(0, Notice::query()->whereNotNull('conversation_id')->count());

        $this->put(route('conversations.owner', $this->wen), ['owner' => ''])->assertSessionHas('done');
        $this->listed('nobodys')->assertSee('Can I collect it Thursday?');
        $this->put(route('conversations.owner', $this->wen), ['owner' => $this->staff(Role::Viewer)->id])
            ->assertSessionHasErrors(['owner' => 'Choose somebody who answers texts.']);
    }

    public function testWhomItIsHandedToHearsOfItOnTheScreenAndByMail(): void
    {
        Mail::fake();
        config(['mail.default' => 'smtp']);
        $tom = $this->staff(Role::Operator);
        $this->actingAs($this->staff(Role::Agent));
        $this->put(route('conversations.owner', $this->wen), ['owner' => $tom->id, 'words' => 'She asks for the skeg. @Mira knows the price.'])
            ->assertSessionHas('done', 'It is Tom Reyes’s now. Mira Okafor and Tom Reyes see it on the screen and have a mail.');

        self::assertSame($tom->id, $this->wen->refresh()->staff_id);
        $mails = OutboundTask::query()->orderBy('id')->get();
        self::assertSame(['mira@osierquay.example', 'tom@osierquay.example'], $mails->pluck('address')->sort()->values()->all());
        $toTom = $mails->firstWhere('address', $tom->email);
        self::assertStringContainsString('Nia Sorrell handed you the conversation with Wen', (string) $toTom?->body['words']);
        self::assertStringContainsString(route('conversations.show', $this->wen), (string) $toTom?->body['words']);
        $this->get(route('conversations.show', $this->wen))->assertSee('She asks for the skeg.')->assertSee('handed to Tom Reyes by');

        $this->actingAs($tom)->get('/conversations')->assertSee('Nia Sorrell handed you the conversation');
        $this->get('/today')->assertSee('Nia Sorrell handed you the conversation');
        $this->actingAs($this->staff(Role::Administrator))->get('/conversations')->assertSee('Nia Sorrell wrote to you about Wen');
        // What colleagues write goes to nobody outside.
        $this->work();
        self::assertSame([], $this->handedOver);
    }

    public function testANoteIsTakenAwayByWhoeverWroteIt(): void
    {
        $person = $this->wen->person_id;
        $this->actingAs($this->staff(Role::Agent));
        $this->post(route('people.notes.store', $person), ['note' => ' ', 'conversation' => $this->wen->id])
            ->assertRedirect(route('conversations.show', $this->wen))->assertSessionHasErrors(['note' => 'Write something first.']);
        $this->post(route('people.notes.store', $person), ['note' => 'Rang twice <b>'])->assertRedirect(route('people.show', $person));
        $this->get(route('people.show', $person))->assertSee('Rang twice &lt;b&gt;', false);
        $note = Note::query()->sole();
        $this->actingAs($this->staff(Role::Operator))->delete(route('notes.destroy', $note));
        self::assertSame(1, Note::query()->count());
        $this->actingAs($this->staff(Role::Agent))->delete(route('notes.destroy', $note));
        self::assertSame(0, Note::query()->count());
    }

    public function testWhatIsPutOffWaitsAgainThenOrWhenTheyWrite(): void
    {
        $this->actingAs($this->staff(Role::Agent));
        $putOff = fn (string $until): TestResponse => $this->post(route('conversations.put-off', $this->wen), ['put_off' => $until]);
        $putOff('')->assertSessionHasErrors(['put_off' => 'Say until when.']);
        $putOff('2026-03-02T10:00')->assertSessionHasErrors(['put_off' => 'That is past. It is Mon 2 March 10:20 now.']);
        $putOff('2026-03-02T14:00')->assertRedirect('/conversations');
        $this->listed('waiting')->assertDontSee('Can I collect it Thursday?')->assertSee('Waiting 1');
        $this->listed('put_off')->assertSee('Can I collect it Thursday?')->assertSee('14:00');

        // Longest first again, by when they wrote.
        $this->travelToMoment('2026-03-02 14:00');
        $this->get('/conversations')->assertSee('Waiting 2')->assertSee('hx-get="'.route('conversations.show', $this->wen).'"', false);

        $putOff('2026-03-03T09:00');
        $this->listed('waiting')->assertDontSee('Can I collect it Thursday?');
        $this->textFrom(self::WEN, 'Or today?');
        $this->listed('waiting')->assertSee('Or today?');
        self::assertNull($this->wen->refresh()->put_off_until);

        $putOff('2026-03-03T09:00');
        $this->delete(route('conversations.put-on', $this->wen));
        $this->listed('waiting')->assertSee('Or today?');
        $this->post(route('conversations.done', $this->wen));
        $this->listed('waiting')->assertDontSee('Or today?');
    }

    public function testOnlyThoseWithATagOrOnALineAreListed(): void
    {
        $this->actingAs($this->staff(Role::Operator));
        $this->post(route('people.labels', $this->wen->person_id), ['kind' => 'tag', 'name' => 'sea kayak', 'added' => '1']);
        $this->listed('all', ['tag' => 'sea kayak'])->assertSee('Can I collect it Thursday?')->assertDontSee('One more seat?');
        $this->listed('all', ['line' => $this->wen->line_id])->assertSee('One more seat?');
        $this->listed('all', ['line' => $this->wen->line_id + 1])->assertSee('None of these.');
        // What is shown is what the file holds.
        $file = $this->get('/conversations?show=all&tag=sea+kayak&as=csv')->streamedContent();
        self::assertStringContainsString('collect it', $file);
        self::assertStringNotContainsString('seat', $file);
    }

    public function testATaskIsNotedForSomebodyAndStandsWhereItsPersonDoes(): void
    {
        $tom = $this->staff(Role::Operator);
        $this->actingAs($this->staff(Role::Agent));
        $add = fn (array $said): TestResponse => $this->post(
            route('people.tasks.store', $this->wen->person_id), $said + ['back' => "/conversations/{$this->wen->id}"],
        );
        $add(['task' => ''])->assertRedirect("/conversations/{$this->wen->id}")->assertSessionHasErrors(['task' => 'Say what is to be done.']);
        $add(['task' => 'Look out a skeg', 'due' => 'soon'])->assertSessionHasErrors(['due' => 'Give a day and a time.']);
        $add(['task' => 'Look out a skeg', 'due' => '2026-03-29T12:00', 'staff' => $tom->id])->assertSessionHas('done', 'Added.');
        // By the business's clock, which by then is another.
        self::assertSame('2026-03-29 11:00', Task::query()->sole()->due_at?->format('Y-m-d H:i'));
        $this->get(route('conversations.show', $this->wen))
            ->assertSee('Look out a skeg')->assertSee('Tom Reyes, by')->assertSee('Sun 29 Mar 12:00');
        $this->actingAs($tom)->get('/today')->assertSee('Look out a skeg');
    }

    public function testAllLinesOfOnePersonAreReadAsOne(): void
    {
        $this->fromCarrier(['kind' => 'text', 'ref' => 'W1', 'from' => self::WEN, 'to' => '+447700900101', 'text' => 'And the workshop?']);
        $this->actingAs($this->staff(Role::Agent));
        $this->get(route('conversations.show', $this->wen))->assertSee('With all lines')->assertDontSee('And the workshop?</div>', false);
        $this->get(route('conversations.show', ['conversation' => $this->wen, 'lines' => 'all']))
            ->assertSee('And the workshop?</div>', false)->assertSee('Can I collect it Thursday?')->assertSee('This line alone');
    }

    public function testEverythingThatWasSaidIsFoundByTheBeginningsOfItsWords(): void
    {
        $this->actingAs($this->staff(Role::Agent));
        $this->say('Der Überzug & <b>skeg</b> are mended');
        $this->listed('all', ['find' => 'skeg mend'])
            ->assertSee('are <mark>mend</mark>ed', false)->assertSee('&lt;b&gt;<mark>skeg</mark>', false);
        // Accents and letters' case are nothing, the middle of a word is no beginning, and what is typed is never more than words.
        $this->listed('all', ['find' => 'UBERZUG'])->assertSee('Der Überzug')->assertDontSee('collect it Thursday');
        $this->listed('all', ['find' => 'thurs'])->assertSee('<mark>Thurs</mark>day', false);
        foreach (['hursday', 'skeg NOT mended', 'skeg" OR "thursday', "'; drop"] as $nothing) {
            $this->listed('all', ['find' => $nothing])->assertSee('Nobody said that.');
        }
        $this->listed('all', ['find' => '%'])->assertDontSee('What was said');

        // Whatever is taken back, changed or erased is not found any more.
        Message::query()->where('body', 'like', '%skeg%')->update(['body' => 'The rudder is mended']);
        $this->listed('all', ['find' => 'skeg'])->assertSee('Nobody said that.');
        $this->listed('all', ['find' => 'rudder'])->assertSee('<mark>rudder</mark>', false);
        $this->actingAs($this->staff(Role::Administrator))->delete(route('people.erase', $this->wen->person_id));
        $this->listed('all', ['find' => 'rudder'])->assertSee('Nobody said that.');
    }

    public function testWhatBecameOtherwiseBeforeTheIndexTookItInIsFoundAsItIs(): void
    {
        $this->actingAs($this->staff(Role::Agent));
        while (SaidIndex::catchUp() > 0);
        $this->say('The first oar');
        $this->say('The second oar');
        Message::query()->where('body', 'The first oar')->update(['body' => 'The third oar']);
        Message::query()->where('body', 'The second oar')->update(['left_at' => null]);
        $this->listed('all', ['find' => 'oar'])->assertSee('third <mark>oar</mark>', false)->assertDontSee('The first')
            ->assertDontSee('second <mark>', false);
        Message::query()->where('body', 'The second oar')->update(['left_at' => now()]);
        $this->listed('all', ['find' => 'oar'])->assertSee('second <mark>oar</mark>', false);
        self::assertSame(0, SaidIndex::catchUp());
    }

    public function testWhatIsFoundIsShownWithWhatWasSaidAround(): void
    {
        $this->actingAs($this->staff(Role::Agent));
        $this->say('The old skeg');
        $old = Message::query()->where('body', 'The old skeg')->sole();
        foreach (range(1, 150) as $i) {
            $this->travelToMoment('2026-03-02 '.sprintf('%02d:%02d', 11 + intdiv($i, 60), $i % 60));
            $this->say("Number $i");
        }
        $this->get(route('conversations.show', $this->wen))->assertDontSee('The old skeg')->assertSee('Number 150');
        $this->get(route('conversations.show', ['conversation' => $this->wen, 'text' => $old->id]))
            ->assertSee("id=\"text-$old->id\"", false)->assertSee('Number 20')->assertDontSee('Number 100')->assertSee('To the newest');
    }

    public function testTheListAsksForItselfAlone(): void
    {
        $this->actingAs($this->staff(Role::Agent));
        $items = $this->get(route('conversations.index', ['show' => 'waiting', 'open' => $this->wen->id]), [
            'HX-Request' => 'true', 'HX-Target' => 'talk-items',
        ])->assertSee('One more seat?')->assertDontSee('<h1', false);
        self::assertStringContainsString('aria-current="true"', (string) $items->getContent());
    }

    public function testWhoeverElseWritesThereIsSeen(): void
    {
        $this->actingAs($this->staff(Role::Agent))->post(route('conversations.writing', $this->wen))->assertNoContent();
        $this->get(route('conversations.show', $this->wen))->assertDontSee('is writing here too');
        $this->actingAs($this->staff(Role::Operator));
        $thread = fn (): TestResponse => $this->get(route('conversations.show', $this->wen), [
            'HX-Request' => 'true', 'HX-Target' => 'thread',
        ]);
        $thread()->assertSee('Nia Sorrell is writing here too.')->assertSee('collect it Thursday')->assertDontSee('May we text');
        $this->get('/conversations?show=all')->assertDontSee('is writing here too');
        // By the machine's own clock: it is about now, whatever day it is at the boathouse.
        $this->travel(11)->seconds();
        $thread()->assertDontSee('is writing here too');
    }

    private function say(string $text): void
    {
        $this->post(route('people.texts.store', $this->wen->person_id), ['text' => $text, 'line' => $this->wen->line_id])
            ->assertSessionHasNoErrors();
    }

    /**
     * @param  array<string, string|int>  $asked
     * @return TestResponse<Response>
     */
    private function listed(string $show, array $asked = []): TestResponse
    {
        return $this->get(route('conversations.index', ['show' => $show, ...$asked]))->assertOk();
    }
}
