<?php

declare(strict_types=1);

namespace Tests\Feature\Screens;

use App\Intake\ChangeOrigin;
use App\Intake\RecordWriter;
use App\Models\KeptText;
use App\Models\Line;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\Person;
use App\Models\Record;
use App\Models\Role;
use App\Models\ScheduledText;
use Illuminate\Testing\TestResponse;
use Linnet\Core\Intake\Cleaned;
use Linnet\Core\Intake\PersonInput;
use Linnet\Core\Number\Numbers;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\TestCase;

/** Texts that are kept, and filled in for whom they are for. */
final class KeptTextsTest extends TestCase
{
    public function testOnesOwnAndEverybodysAreFoundByTyping(): void
    {
        $wen = $this->wen();
        $this->actingAs($this->staff(Role::Administrator))->keep('Way to the quay', 'Past the weir, then left', shared: true);
        $this->keep('Mira’s', 'Mine alone');
        $this->actingAs($this->staff(Role::Agent))->keep('Hello', 'Hello {{ first_name }}', shared: true);
        // Who does not look after Linnet keeps for themselves.
        self::assertSame($this->staff(Role::Agent)->id, KeptText::query()->where('name', 'Hello')->sole()->staff_id);
        $offered = fn (string $typed): TestResponse => $this->get(route('kept-texts.offered', ['person' => $wen, 'kept' => $typed]));
        $offered('')->assertSee('Way to the quay')->assertSee('Hello')->assertDontSee('Mine alone');
        $offered('WEIR')->assertSee('Way to the quay')->assertDontSee('Hello');

        $shared = KeptText::query()->where('name', 'Way to the quay')->sole();
        $this->put(route('kept-texts.update', $shared), ['name' => 'Gone', 'text' => 'x']);
        $this->delete(route('kept-texts.destroy', $shared));
        self::assertSame('Past the weir, then left', $shared->refresh()->body);
        $miras = KeptText::query()->where('name', 'Mira’s')->sole();
        $this->get(route('kept-texts.fill', ['person' => $wen, 'kept' => $miras]))->assertNotFound();
    }

    public function testFieldsAreFilledInForThemAfterWhatIsTypedAlready(): void
    {
        $wen = $this->wen();
        foreach (['B0' => ['Rowing', '2026-03-04T10:00:00Z'], 'B1' => ['Sculling', '2026-03-05T14:00:00Z']] as $key => [$lesson, $at]) {
            resolve(RecordWriter::class)->upsert(new Cleaned('booking', $key, new PersonInput(number: Numbers::read(self::WEN, 'GB')), [
                'lesson' => $lesson, 'starts_at' => $at,
            ]), ChangeOrigin::staff($this->staff(Role::Operator)));
        }
        $this->actingAs($this->staff(Role::Agent));
        $this->keep('Lesson', '{{ first_name }}, your {{ booking.lesson }} is on {{ booking.starts_at | as: "weekday time" }}.');
        $this->fill($wen, 'Lesson', 'Good morning.')->assertSee('Good morning. Wen, your Sculling is on Thursday 14:00.</textarea>', false);
        // From a record's page it speaks of that one, if it is theirs.
        $first = Record::query()->where('external_id', 'B0')->sole();
        $this->get(route('people.write', ['person' => $wen, 'record' => $first]))->assertSee('speak of this one');
        $this->fill($wen, 'Lesson', '', $first->id)->assertSee('Wen, your Rowing is on Wednesday 10:00.</textarea>', false);
        $this->fill($wen, 'Lesson', '', $first->id + 999)->assertSee('your Sculling');
        $this->keep('Lost', 'Your {{ deal.title }} is here.');
        $this->fill($wen, 'Lost', 'As typed')->assertSee('As typed</textarea>', false)->assertSee('role="alert"', false);
    }

    public function testWhatIsTypedIsFilledInAsItWillBeReadOrNotSent(): void
    {
        $wen = $this->wen();
        $line = Line::query()->orderBy('id')->firstOrFail()->id;
        $this->actingAs($this->staff(Role::Agent));
        $at = ['person' => $wen->id];
        $this->post(route('words', $at), ['text' => 'Hello {{ first_name }}'])
            ->assertSee('To Wen: Hello Wen')->assertSee('9 characters')->assertSee('first name');
        $this->post(route('words', $at), ['text' => 'Hello {{ frist_name }}'])->assertSee('first_name');
        $this->post(route('words'), ['text' => 'Hello {{ first_name }}'])->assertSee('Hello Wen');
        $offered = array_column($this->getJson(route('words.fields', $at))->assertOk()->json(), 'beside', 'whole');
        self::assertSame('Wen', $offered['{{ first_name }}']);
        self::assertArrayNotHasKey('{{ booking.lesson }}', $offered, 'they have none');
        $this->get(route('words.token', [...$at, 'token' => '{{ email }}']))->assertSee('It is empty for Wen, who would get no text');

        $send = fn (string $words) => $this->post(route('people.texts.store', $wen), ['text' => $words, 'line' => $line]);
        $send('Dear {{ email }}, it is {{ first_name }}')->assertSessionHasErrors('text');
        $send('Dear {{ email | or: "guest" }}, all is well')->assertSessionHasNoErrors();
        self::assertSame(['Dear guest, all is well'], Message::query()->where('origin', MessageOrigin::Staff)->pluck('body')->all());
        $this->post(route('people.texts.store', $wen), [
            'text' => 'See you, {{ first_name }}', 'line' => $line, 'when' => 'later', 'at' => '2026-03-05T12:00',
        ])->assertSessionHasNoErrors();
        $coming = ScheduledText::query()->sole();
        self::assertSame('See you, Wen', $coming->body);
        $this->put(route('scheduled-texts.update', $coming->id), ['do' => 'words', 'text' => 'Bye, {{ first_name }}']);
        self::assertSame('Bye, Wen', $coming->refresh()->body);
    }

    #[DataProvider('wrong')]
    public function testWhatCannotBeFilledInIsNotKept(string $body, string $says): void
    {
        $this->actingAs($this->staff(Role::Agent));
        $this->post(route('kept-texts.store'), ['name' => 'N', 'text' => $body])->assertRedirect(route('kept-texts.index'))
            ->assertSessionHasErrors('text');
        $this->get(route('kept-texts.index'))->assertSee($says);
        self::assertSame(0, KeptText::query()->count());
    }

    /** @return iterable<string, array{string, string}> */
    public static function wrong(): iterable
    {
        yield 'a field that nothing has' => ['Hello {{ frist_name }}', 'first_name'];
        yield 'a field that is broken off' => ['Hello {{ first_name', 'This field begins with'];
        yield 'a code' => ['{{ code: "welcome" }}', 'Short links and codes are for the texts of rules.'];
    }

    private function keep(string $name, string $body, bool $shared = false): void
    {
        $this->post(route('kept-texts.store'), ['name' => $name, 'text' => $body, 'shared' => $shared ? '1' : null])
            ->assertSessionHasNoErrors();
    }

    /** @return TestResponse<Response> */
    private function fill(Person $person, string $name, string $typed, ?int $record = null): TestResponse
    {
        $kept = KeptText::query()->where('name', $name)->sole();

        return $this->get(route('kept-texts.fill', ['person' => $person, 'kept' => $kept, 'text' => $typed, 'record' => $record]))
            ->assertOk();
    }

    private function wen(): Person
    {
        $this->textFrom(self::WEN, 'Hello?');

        return Person::query()->whereHas('numbers', fn ($numbers) => $numbers->where('e164', self::WEN))->sole();
    }
}
