<?php

declare(strict_types=1);

namespace Tests\Feature\People;

use App\Models\Audience;
use App\Models\Label;
use App\Models\Person;
use App\Models\Role;
use App\Pages\PeopleQuery;
use PHPUnit\Framework\Attributes\TestWith;
use Tests\Feature\TestCase;

final class PeopleListTest extends TestCase
{
    public function testWhatATagOrListOfManyComesToIsSaidBeforeItIsDone(): void
    {
        $this->actingAs($this->staff(Role::Administrator));
        $people = Person::query()->orderBy('id')->limit(3)->get();
        $ids = $people->pluck('id')->all();
        $this->post(route('people.labels', $people[0]), ['kind' => 'list', 'name' => 'Regatta', 'added' => '1']);
        $asked = ['ticked' => $ids, 'what' => 'add list', 'name' => 'regatta'];
        $this->get(route('people.bulk', $asked))->assertSee('already for 1: it changes for 2')->assertSee('Do it for 2')
            ->assertSee('No rule that is on begins by it');
        $this->post(route('people.bulk.store'), $asked)->assertSessionHas('done', 'It is done for 2.');
        self::assertSame(3, Label::query()->where('kind', 'list')->where('folded', 'regatta')->count());
        $this->post(route('people.bulk.store'), ['what' => 'remove list'] + $asked)->assertSessionHas('done', 'It is done for 3.');
        $this->get(route('people.bulk', ['what' => 'add tag', 'name' => 'x']))->assertSessionHasErrors(['ticked' => 'Tick some first.']);
        $this->get(route('people.bulk', ['what' => 'add tag'] + $asked + ['name' => '']))->assertOk();
        $set = ['what' => 'set town', 'name' => 'Wrenford'] + $asked;
        $this->get(route('people.bulk', $set))->assertSee('Set their town to “Wrenford”?')->assertSee('Do it for 3');
        $this->post(route('people.bulk.store'), $set)->assertSessionHas('done', 'It is done for 3.');
        $this->post(route('people.bulk.store'), $set)->assertSessionHas('done', 'Nothing was to be changed.');
        $this->get(route('people.bulk', ['what' => 'set boats'] + $set))->assertSessionHasErrors('what');
        // The columns one has chosen are there again.
        $this->put(route('people.columns'), ['cols' => ['fields.town', 'lists', 'nonsense']])->assertRedirect(route('people.index'));
        $this->get(route('people.index', ['find' => $people[0]->first_name]))->assertSee('Wrenford')->assertDontSee('<th scope="col">Kind', false);
    }

    #[TestWith([3000])]
    #[TestWith([0])]
    public function testTheListHoldsThoseOfAnAudienceAndOfALabel(int $few): void
    {
        $this->app?->when(PeopleQuery::class)->needs('$few')->give(fn (): int => $few);
        $this->actingAs($this->staff(Role::Administrator));
        [$one, $other] = Person::query()->with('number')->orderBy('id')->limit(2)->get()->all();
        $this->post(route('people.labels', $one), ['kind' => 'tag', 'name' => 'Rower', 'added' => '1']);
        $audience = Audience::query()->create([
            'name' => 'Rowers', 'folded' => 'rowers', 'of' => 'person', 'condition' => ['tag' => 'rower'], 'at' => now(),
        ]);
        foreach ([['audience' => $audience->id], ['label' => 'tag:Rower']] as $asked) {
            $this->get(route('people.index', $asked))->assertSee(route('people.show', $one).'"', false)
                ->assertDontSee(route('people.show', $other).'"', false);
        }
        $this->get(route('people.index', ['label' => 'list:Rower']))->assertSee('Nobody here that is so.');
        // Of records: the people whose they are.
        $this->missedCall('+447700900456');
        $this->takeIn();
        $caller = $this->person('+447700900456');
        $calls = Audience::query()->create([
            'name' => 'Callers', 'folded' => 'callers', 'of' => 'call', 'at' => now(),
            'condition' => ['field' => 'call.outcome', 'test' => 'is', 'value' => 'missed'],
        ]);
        $this->get(route('people.index', ['audience' => $calls->id]))->assertSee(route('people.show', $caller).'"', false)
            ->assertDontSee(route('people.show', $one).'"', false);
    }
}
