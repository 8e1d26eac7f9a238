<?php

declare(strict_types=1);

namespace Tests\Feature\Rehearsals;

use App\Intake\ChangeOrigin;
use App\Intake\RecordWriter;
use App\Models\Person;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Rehearsal;
use App\Models\RehearsalState;
use App\Models\RehearsedText;
use App\Models\Role;
use App\Models\Rule;
use App\People\Erasing;
use App\Rehearsals\Rehearser;
use Illuminate\Support\Facades\DB;
use Tests\Feature\TestCase;

/** A rehearsal is carried out by whoever comes first, tells how far it is, can be stopped, and is begun anew where its worker is gone. */
final class RehearserTest extends TestCase
{
    private Rule $rule;

    protected function setUp(): void
    {
        parent::setUp();
        $this->rule = Rule::query()->with('version')->where('key', 'front-desk-missed-call')->firstOrFail();
        foreach (range(0, 29) as $i) {
            $this->missedCall(sprintf('+447700900%03d', 300 + $i));
            $this->travel(10)->minutes();
        }
        $this->work();
        $this->travelToMoment('2026-03-20 10:00');
        $this->actingAs($this->staff(Role::Administrator));
    }

    public function testAChangedRuleStandsBesideTheOneThatIsOn(): void
    {
        $document = $this->rule->version->document ?? [];
        $document['conditions'] = ['field' => 'call.rang_for', 'test' => 'more', 'value' => 1_000_000];
        $this->rule->update(['draft' => $document]);
        $rehearsal = $this->asked(30);

        $this->round();

        $rehearsal->refresh();
        self::assertSame(RehearsalState::Done, $rehearsal->state);
        self::assertSame([0, 30], [$rehearsal->summary['changed']['texts'] ?? null, $rehearsal->summary['published']['people'] ?? null]);
        $this->get(route('rules.rehearsal', [$this->rule, $rehearsal]))
            ->assertSee('the changed rule would have reached')
            ->assertSee('no people');
        // What is listed is as many as the number that opens it says.
        foreach ($rehearsal->summary['changed']['reasons'] ?? [] as $why) {
            $list = $this->get(route('rules.rehearsal.rows', [
                $this->rule, $rehearsal, 'what' => $why['of'], 'reason' => $why['why'],
            ]));
            self::assertSame($why['many'], substr_count((string) $list->assertOk()->getContent(), '<tr>') - 1);
        }
        $this->rule->update(['draft' => null]);
        $this->get(route('rules.rehearsal', $this->rule))->assertSee('The rule was changed since');
    }

    public function testItStopsWhereSomebodyStopsItAndTellsHowFarItIs(): void
    {
        $rehearsal = $this->asked(30);
        $told = [];
        DB::listen(function ($query) use ($rehearsal, &$told): void {
            if (str_contains($query->sql, 'update "rehearsals" set "done"')) {
                $told[] = $done = (int) $rehearsal->fresh()?->done;
                // While people and records are read it has gone through nothing yet.
                $done > 0 && $this->post(route('rules.rehearsal.stop', [$this->rule, $rehearsal]));
            }
        });

        resolve(Rehearser::class)->round(fn (): bool => false, 0.0);

        self::assertSame([0, 20], array_values(array_unique($told)));
        self::assertSame(RehearsalState::Stopped, $rehearsal->refresh()->state);
        self::assertSame(0, RehearsedText::query()->count());
        $this->get(route('rules.rehearsal', $this->rule))->assertSee('stopped before its end');
        self::assertSame(0, resolve(Rehearser::class)->round(fn (): bool => false));
    }

    public function testOneWhoseWorkerIsGoneIsBegunAnewAndOneThatEndsGivesItBack(): void
    {
        $rehearsal = $this->asked(30);
        resolve(Rehearser::class)->round(fn (): bool => true, 0.0);
        self::assertSame(RehearsalState::Waiting, $rehearsal->refresh()->state);

        // Killed: it has the lease, and is seen no more.
        $lease = ['leased_by' => 'somebody', 'leased_until' => new \DateTimeImmutable('+1 minute')];
        $rehearsal->update(['state' => RehearsalState::Running] + $lease);
        self::assertSame(0, $this->round());
        $rehearsal->update(['leased_until' => new \DateTimeImmutable('-1 minute')]);
        $this->round();

        self::assertSame(RehearsalState::Done, $rehearsal->refresh()->state);
        self::assertSame(60, $rehearsal->summary['published']['texts'] ?? null);
    }

    public function testItIsAsItWasThenAndNotAsItIsToday(): void
    {
        $type = RecordType::query()->where('key', 'call')->firstOrFail();
        $this->rule->update(['draft' => [
            ...$this->rule->version->document ?? [],
            'conditions' => ['field' => 'call.outcome', 'test' => 'is', 'value' => 'missed'],
        ]]);
        // By now all of them were called back.
        foreach (Record::query()->where('record_type_id', $type->id)->with('type')->get() as $call) {
            resolve(RecordWriter::class)->edit($call, ['outcome' => 'answered'], ChangeOrigin::staff($this->staff(Role::Administrator)));
        }
        $rehearsal = $this->asked(30);

        $this->round();

        // Each gets two, as then nobody had called back.
        self::assertSame(60, $rehearsal->refresh()->summary['changed']['texts'] ?? null);
    }

    public function testATextThatWouldHaveComeAfterTheyWroteBackIsToldOf(): void
    {
        // Back among the calls, before the second text is due.
        $this->travelToMoment('2026-03-02 16:00');
        $this->textFrom('+447700900300', 'Thank you, all settled.');
        $this->travelToMoment('2026-03-20 10:00');
        $document = $this->rule->version->document ?? [];
        $document['stop_early'] = ['reply' => false];
        // Its second step asks for that too.
        $document['steps'] = array_values(array_filter($document['steps'], fn (array $step): bool => $step['do'] !== 'go_on_only_if'));
        $this->rule->update(['draft' => $document]);
        $rehearsal = $this->asked(30);

        $this->round();

        $summary = $rehearsal->refresh()->summary ?? [];
        self::assertSame([60, 1], [$summary['changed']['texts'] ?? null, $summary['changed']['late'] ?? null]);
        self::assertSame([59, 0], [$summary['published']['texts'] ?? null, $summary['published']['late'] ?? null]);
        $this->get(route('rules.rehearsal', [$this->rule, $rehearsal]))
            ->assertSee('would have come too late to be wanted, 1 more than now')
            ->assertSee('they had written back');
        $this->get(route('rules.rehearsal.rows', [$this->rule, $rehearsal, 'what' => 'late']))
            ->assertSee('too late: they had written back');
    }

    public function testOfWhoIsErasedNothingIsKept(): void
    {
        $this->asked(30);
        $this->round();
        $text = RehearsedText::query()->firstOrFail();

        resolve(Erasing::class)->erase(Person::query()->findOrFail($text->person_id));

        self::assertSame(0, DB::table('rehearsed_texts')->where('person_id', $text->person_id)->count());
        self::assertSame(0, DB::table('rehearsed_runs')->where('person_id', $text->person_id)->count());
    }

    public function testDaysAreSaidInNumbers(): void
    {
        $this->post(route('rules.rehearsal.begin', $this->rule), ['days' => '400'])->assertSessionHasErrors('days');
        self::assertSame(0, Rehearsal::query()->count());
    }

    private function asked(int $days): Rehearsal
    {
        $this->post(route('rules.rehearsal.begin', $this->rule), ['days' => $days])->assertRedirect();

        return Rehearsal::query()->latest('id')->firstOrFail();
    }

    private function round(): int
    {
        return resolve(Rehearser::class)->round(fn (): bool => false);
    }
}
