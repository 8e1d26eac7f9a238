<?php

declare(strict_types=1);

namespace Tests\Feature\People;

use App\Intake\RecordWriter;
use App\Merging\Likeness;
use App\Merging\Merging;
use App\Models\Conversation;
use App\Models\Merge;
use App\Models\Message;
use App\Models\Number;
use App\Models\Person;
use App\Models\Record;
use App\Models\Role;
use App\Models\Run;
use Database\Seeders\OldRecordsSeeder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Tests\Feature\TestCase;

final class MergingTest extends TestCase
{
    private const MEI = '+447700900302';

    protected function setUp(): void
    {
        parent::setUp();
        DB::transaction(fn () => (new OldRecordsSeeder)->run(resolve(RecordWriter::class)));
        $this->actingAs($this->staff(Role::Administrator));
    }

    /** What a table has of people moves with them; one that is new is thought of. */
    public function testEveryTableThatSaysWhoseItIsIsThoughtOf(): void
    {
        $tables = array_filter(
            array_column(Schema::getTables(), 'name'),
            fn (string $table): bool => Schema::hasColumn($table, 'person_id'),
        );
        self::assertEqualsCanonicalizing([...array_keys(Merging::THEIRS), ...Merging::BESIDES], array_values(array_unique($tables)));
    }

    public function testWhatTheOneHadIsTheOthersAndSplitAgainAllIsAsItWas(): void
    {
        [$wen, $mei] = $this->twoWithAPast();
        $before = $this->everything($wen, $mei);

        $this->post(route('people.merge.store', $wen), ['with' => $mei->id])->assertRedirect(route('people.show', $wen));
        self::assertNull(Person::query()->find($mei->id));
        $this->get(route('people.show', $mei->id))->assertRedirect(route('people.show', $wen));
        self::assertSame(self::WEN, $wen->refresh()->number?->e164, 'texts go where they went');
        self::assertSame([self::WEN, self::MEI], $wen->numbers()->orderBy('id')->pluck('e164')->all());
        self::assertSame('mei@example.org', $wen->email);
        self::assertSame(1, Conversation::query()->where('person_id', $wen->id)->count());
        $thread = Conversation::query()->where('person_id', $wen->id)->sole()->id;
        self::assertSame(0, Message::query()->where('person_id', $wen->id)->where('conversation_id', '!=', $thread)->count());
        foreach (Record::query()->where('person_id', $wen->id)->with('type')->get() as $record) {
            $leads = $record->values[(string) $record->type->person_field] ?? null;
            self::assertTrue(! is_int($leads) || $leads === $wen->id);
        }
        $this->get(route('people.show', $wen))->assertOk()->assertSee('Split them again')->assertSee('put the entry of');

        $this->post(route('merges.undo', Merge::query()->sole()))->assertSessionHas('done', 'They are two again, as they were.');
        self::assertEquals($before, $this->everything($wen->refresh(), $mei));
        $this->get(route('people.show', $mei))->assertOk();
        $this->post(route('merges.undo', Merge::query()->sole()))->assertSessionHas('done', 'It is too late to split them.');
        $this->missedCall(self::MEI);
        $this->work();
        self::assertSame($mei->id, Message::query()->where('number', self::MEI)->orderByDesc('id')->firstOrFail()->person_id);
    }

    public function testAStopFromOneNumberHoldsForAllUntilTheyAreSplit(): void
    {
        [$wen, $mei] = $this->twoWithAPast();
        $this->textFrom(self::MEI, 'STOP');
        $this->work();
        $this->handedOver = [];
        $this->get(route('people.merge', [$wen, 'with' => $mei->id]))->assertSee('Stop')->assertSee('it holds for');
        $this->post(route('people.merge.store', $wen), ['with' => $mei->id]);
        $this->missedCall(self::WEN);
        $this->travelToMoment('2026-03-02 11:00');
        $this->work();
        self::assertSame([], array_filter($this->handedOver, fn (array $text): bool => $text['to'] === self::WEN));

        $this->post(route('merges.undo', Merge::query()->sole()));
        $this->missedCall(self::WEN);
        $this->travelToMoment('2026-03-02 12:00');
        $this->work();
        self::assertNotSame([], array_filter($this->handedOver, fn (array $text): bool => $text['to'] === self::WEN));
        $this->missedCall(self::MEI);
        $this->travelToMoment('2026-03-02 13:00');
        $this->work();
        self::assertSame([], array_filter($this->handedOver, fn (array $text): bool => $text['to'] === self::MEI));
    }

    public function testOneIsFoundByNameEmailAndNumberAndCanBeUndoneForADay(): void
    {
        [$wen, $mei] = $this->twoWithAPast();
        self::assertSame([], Likeness::of($wen));
        $mei->update(['first_name' => $wen->first_name, 'last_name' => $wen->last_name]);
        self::assertSame([[$mei->id, 'the same name']], array_map(
            fn (array $one): array => [$one['person']->id, $one['why']], Likeness::of($wen->refresh()),
        ));
        $this->get(route('people.merge', $wen))->assertSee('the same name');
        $this->post(route('people.merge.store', $wen), ['with' => $wen->id])->assertSessionHasErrors('with');
        $this->post(route('people.merge.store', $wen), ['with' => $mei->id]);
        $this->travelToMoment('2026-03-03 10:31');
        $this->post(route('merges.undo', Merge::query()->sole()))->assertSessionHas('done', 'It is too late to split them.');
        self::assertNull(Person::query()->find($mei->id));
    }

    public function testWhoMayBeHereTwiceIsListedAndToldApartForGood(): void
    {
        [$wen, $mei] = $this->twoWithAPast();
        $this->get(route('people.twice.list'))->assertSee('No two have the same email.');
        $name = ['first_name' => $wen->first_name, 'last_name' => $wen->last_name];
        $mei->update(array_map(fn (?string $part): string => strtoupper((string) $part), $name) + ['email' => 'Wen@example.org']);
        $wen->update(['email' => 'wen@EXAMPLE.org']);
        Number::query()->create([
            'person_id' => $mei->id, 'e164' => '+1'.substr(self::WEN, -10), 'country' => 'US', 'zones' => ['America/New_York'],
            'kind' => 'mobile', 'label' => '', 'rank' => -1,
        ]);
        self::assertSame('the same email, a number that ends alike, the same name', Likeness::of($wen->refresh())[0]['why']);
        foreach (['email', 'number', 'name'] as $by) {
            $this->get(route('people.twice.list', ['by' => $by]))
                ->assertSee($wen->name())
                ->assertSee("/people/$wen->id/merge?with=$mei->id");
        }
        $names = route('people.twice.list', ['by' => 'name']);
        $this->post(route('people.apart', $mei), ['with' => $wen->id, 'by' => 'name'])
            ->assertRedirect(route('people.twice', ['by' => 'name']));
        $this->get($names)->assertSee('No two have the same name.');
        self::assertSame([[], []], [Likeness::of($wen), Likeness::of($mei)]);
        $third = Person::query()->create($name + ['fields' => [], 'added_at' => now()]);
        $this->get($names)->assertSee("/people/$wen->id/merge?with=$third->id")->assertSee('more are alike');
    }

    public function testNumbersAreAddedNamedPreferredAndTakenAway(): void
    {
        $wen = $this->person(self::WEN);
        $other = Number::query()->where('person_id', '!=', $wen->id)->firstOrFail()->e164;
        $this->post(route('people.numbers', $wen), ['number' => '07700 900999', 'label' => 'work'])->assertSessionHasNoErrors();
        $new = Number::query()->where('e164', '+447700900999')->sole();
        self::assertSame(['work', self::WEN], [$new->label, $wen->refresh()->number?->e164]);
        $this->put(route('numbers.update', $new), ['first' => '1']);
        self::assertSame('+447700900999', $wen->refresh()->number?->e164);
        $this->post(route('people.numbers', $wen), ['number' => $other])->assertSessionHasErrors('number');
        $this->post(route('people.numbers', $wen), ['number' => 'none'])->assertSessionHasErrors('number');
        $this->delete(route('numbers.destroy', $new));
        self::assertSame(self::WEN, Person::query()->with('number')->findOrFail($wen->id)->number?->e164);
    }

    /** @return array{Person, Person} */
    private function twoWithAPast(): array
    {
        foreach ([self::WEN, self::MEI] as $number) {
            $this->textFrom($number, 'Is the quay open?');
            $this->missedCall($number);
        }
        $this->travelToMoment('2026-03-02 10:30');
        $this->work();
        [$wen, $mei] = [$this->person(self::WEN), $this->person(self::MEI)];
        $mei->update(['email' => 'mei@example.org']);
        foreach ([$wen, $mei] as $person) {
            $this->post(route('people.labels', $person), ['kind' => 'tag', 'name' => 'regular', 'added' => '1']);
        }
        $this->post(route('people.labels', $mei), ['kind' => 'list', 'name' => 'newsletter', 'added' => '1']);
        $this->work();
        // Hers is somebody's to answer, and another hears of it.
        Conversation::query()->where('person_id', $mei->id)
            ->update(['staff_id' => $this->staff(Role::Agent)->id, 'hears_staff_id' => $this->staff(Role::Operator)->id]);
        self::assertGreaterThan(0, Run::query()->where('person_id', $mei->id)->count());

        return [$wen, $mei];
    }

    /** @return array<string, array<int, \stdClass>> all that is theirs, but what says that they were one */
    private function everything(Person ...$people): array
    {
        $ids = array_map(fn (Person $person): int => $person->id, $people);
        $all = ['people' => DB::table('people')->whereIn('id', $ids)->orderBy('id')->get()->all()];
        foreach ([...array_keys(Merging::THEIRS), 'conversations'] as $table) {
            $all[$table] = DB::table($table)->whereIn('person_id', $ids)->orderBy('id')
                ->when($table === 'traces', fn ($rows) => $rows->whereNotIn('code', ['person.merged', 'person.split']))
                ->when($table === 'changes', fn ($rows) => $rows->where('kind', '!=', 'person_changed'))
                ->get()->all();
        }

        return $all;
    }
}
