<?php

declare(strict_types=1);

namespace Tests\Feature\Screens;

use App\Models\Role;
use App\Models\Task;
use Illuminate\Testing\TestResponse;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Component\VTodo;
use Sabre\VObject\Reader;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\TestCase;

/** What there is to do, in a list and as to-dos elsewhere. */
final class TasksTest extends TestCase
{
    public function testTasksAreListedByWhoseTheyAreAndWhatIsDueFirst(): void
    {
        $nia = $this->staff(Role::Agent);
        $this->actingAs($nia);
        $this->post(route('tasks.store'), ['task' => ''])->assertRedirect(route('tasks.index'))
            ->assertSessionHasErrors(['task' => 'Say what is to be done.']);
        $this->add('No time', $nia->id);
        $this->add('Late', $nia->id, '2026-03-02T09:00');
        $this->add('Soon', $nia->id, '2026-03-02T11:00');
        $this->add('Anybody', null);
        $this->add('Tom’s', $this->staff(Role::Operator)->id);

        $this->listed()->assertSeeInOrder(['Late', 'Soon', 'No time'])->assertDontSee('Anybody')->assertDontSee('Tom’s');
        $this->listed(['show' => 'overdue'])->assertSee('Late')->assertSee('overdue</span>', false)->assertDontSee('Soon');
        $this->listed(['whose' => 'nobodys'])->assertSee('Anybody')->assertDontSee('Late');
        $this->listed(['whose' => 'all'])->assertSee('Tom’s');

        $late = Task::query()->where('words', 'Late')->sole();
        $this->post(route('tasks.done', $late));
        $this->listed()->assertDontSee('Late');
        $this->listed(['show' => 'done'])->assertSee('Late');
        $this->post(route('tasks.done', $late), ['done' => '0']);
        $this->listed()->assertSee('Late');
        $this->put(route('tasks.update', $late), [
            'task' => 'Later', 'staff' => '', 'due' => '2026-07-01T09:00', 'back' => '/tasks?whose=nobodys',
        ])->assertRedirect('/tasks?whose=nobodys');
        $this->listed(['whose' => 'nobodys'])->assertSee('Later')->assertSee('Wed 1 Jul 09:00');
    }

    public function testWhatIsOverdueIsSaidOnThePersonItIsAbout(): void
    {
        $this->actingAs($this->staff(Role::Administrator));
        $wen = $this->person(self::WEN);
        $this->post(route('people.tasks.store', $wen), ['task' => 'Soon', 'due' => '2026-03-02T11:00'])->assertSessionHasNoErrors();
        $this->get(route('people.show', $wen))->assertSee('Soon')->assertDontSee('overdue');
        $this->post(route('people.tasks.store', $wen), ['task' => 'Late', 'due' => '2026-03-02T09:00']);
        $this->get(route('people.show', $wen))->assertSee('overdue');
    }

    public function testAnotherProgramReadsThemAsToDos(): void
    {
        $nia = $this->staff(Role::Agent);
        $this->actingAs($nia);
        $this->add('Ring; the "quay", twice', $nia->id, '2026-07-01T09:00');
        $this->add('Anybody', null);
        $this->add('Tom’s', $this->staff(Role::Operator)->id);
        $this->add('Long done', $nia->id);
        Task::query()->where('words', 'Long done')->update(['done_at' => '2026-01-01 00:00:00']);
        $this->add('Done', $nia->id);
        $this->post(route('tasks.done', Task::query()->where('words', 'Done')->sole()));

        $this->post(route('account.tasks'))->assertRedirect(route('account'));
        $address = (string) session('feed');
        $this->post('/log-out');
        $calendar = Reader::read((string) $this->get($address)->assertOk()->getContent());
        self::assertInstanceOf(VCalendar::class, $calendar);
        self::assertSame([], array_column($calendar->validate(), 'message'));
        $said = [];
        foreach ($calendar->select('VTODO') as $todo) {
            self::assertInstanceOf(VTodo::class, $todo);
            $part = fn (string $name): string => implode(' ', array_map(strval(...), $todo->select($name)));
            $said[$part('SUMMARY')] = "{$part('STATUS')} {$part('DUE')}";
        }
        self::assertSame([
            'Ring; the "quay", twice' => 'NEEDS-ACTION 20260701T080000Z', 'Anybody' => 'NEEDS-ACTION ', 'Done' => 'COMPLETED ',
        ], $said);

        $this->get(str_replace('.ics', '0.ics', $address))->assertNotFound();
        $this->actingAs($nia)->delete(route('account.tasks.end'));
        $this->get($address)->assertNotFound();
    }

    public function testTheyAreFoundByTheirWordsAndPutInAnOrder(): void
    {
        $this->actingAs($this->staff(Role::Agent));
        $this->add('Ring about 50% off', null, '2026-07-01T09:00');
        $this->add('Ring about the oars', null, '2026-07-02T09:00');
        $said = ['whose' => 'nobodys'];
        $this->listed($said)->assertSeeInOrder(['50% off', 'the oars']);
        $this->listed($said + ['order' => 'newest'])->assertSeeInOrder(['the oars', '50% off']);
        $this->listed($said + ['find' => '0% O'])->assertSee('50% off')->assertDontSee('the oars');
        $this->listed($said + ['find' => 'paddles'])->assertSee('None of those says so.');
    }

    private function add(string $words, ?int $staff, string $due = ''): void
    {
        $this->post(route('tasks.store'), ['task' => $words, 'staff' => $staff, 'due' => $due])->assertSessionHasNoErrors();
    }

    /**
     * @param  array<string, string>  $asked
     * @return TestResponse<Response>
     */
    private function listed(array $asked = []): TestResponse
    {
        return $this->get(route('tasks.index', $asked))->assertOk();
    }
}
