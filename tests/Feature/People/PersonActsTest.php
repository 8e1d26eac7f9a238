<?php

declare(strict_types=1);

namespace Tests\Feature\People;

use App\Models\Change;
use App\Models\ChangeKind;
use App\Models\Line;
use App\Models\Record;
use App\Models\Role;
use App\Models\Rule;
use App\Models\Run;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Tests\Feature\TestCase;

final class PersonActsTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->staff(Role::Operator));
    }

    public function testTagsAndListsAreAddedAndTakenAwayAsChangesThatRulesSee(): void
    {
        $wen = $this->person(self::WEN);

        $this->post("/people/$wen->id/labels", ['kind' => 'list', 'name' => '  Spring   news ', 'added' => '1'])->assertSessionHas(
            'done',
            'On the list “Spring news”.',
        );
        $this->post("/people/$wen->id/labels", ['kind' => 'list', 'name' => 'spring NEWS', 'added' => '1'])->assertSessionHas(
            'done',
            'It was there already.',
        );
        $this->get("/people/$wen->id")->assertSee('on Spring news');
        $this->post("/people/$wen->id/labels", ['kind' => 'list', 'name' => 'spring news', 'added' => '0']);
        $this->post("/people/$wen->id/labels", ['kind' => 'tag', 'name' => '', 'added' => '1'])->assertSessionHasErrors('name');

        self::assertSame(
            [true, false],
            Change::query()
                ->where('kind', ChangeKind::LabelChanged)
                ->orderBy('id')
                ->get()
                ->map(fn (Change $change): mixed => $change->with['added'] ?? null)
                ->all(),
        );
        self::assertSame(0, DB::table('labels')->count());
    }

    public function testARuleStartedByHandSaysWhatIsMissing(): void
    {
        $this->import('came-back', 'find-out');
        $wen = $this->person(self::WEN);
        $aboutBookings = Rule::query()->where('key', 'came-back')->firstOrFail();
        $aboutPeople = Rule::query()->where('key', 'find-out')->firstOrFail();

        preg_match('/aria-label="Start a rule".*?<\/form>/s', (string) $this->get("/people/$wen->id")->getContent(), $form);
        self::assertStringContainsString(e($aboutPeople->name), $form[0] ?? '');
        self::assertStringNotContainsString(e($aboutBookings->name), $form[0] ?? '');
        $this->post("/people/$wen->id/starts", ['rule' => $aboutBookings->id])->assertSessionHasErrors([
            'rule' => 'Not started: it needs a booking to be about.',
        ]);
        $this->post("/people/$wen->id/starts", ['rule' => ''])->assertSessionHasErrors('rule');
        $this->post("/people/$wen->id/starts", ['rule' => $aboutPeople->id])->assertSessionHasNoErrors();
        $this->work();

        self::assertSame([$wen->id], Run::query()->where('rule_id', $aboutPeople->id)->pluck('person_id')->all());
        $aboutPeople->update(['power' => 'paused']);
        $this->post("/people/$wen->id/starts", ['rule' => $aboutPeople->id])->assertSessionHasErrors([
            'rule' => 'Not started: the rule is off.',
        ]);
    }

    public function testARuleIsStartedForARecordOfTheirs(): void
    {
        $this->import('came-back');
        $this->missedCall(self::WEN);
        $rule = Rule::query()->where('key', 'front-desk-missed-call')->firstOrFail();
        $wen = $this->person(self::WEN);
        $call = Record::query()->firstOrFail();

        $this->get("/records/call/$call->id")->assertSee($rule->name);
        $this->post("/people/$wen->id/starts", ['rule' => $rule->id, 'record' => $call->id])->assertSessionHasNoErrors();
        $this->post('/people/'.$this->person('+447700900308')->id.'/starts', [
            'rule' => $rule->id,
            'record' => $call->id,
        ])->assertNotFound();
        $this->work();

        // Started by the call and by hand: once for each call all the same.
        self::assertSame(1, Run::query()->where('rule_id', $rule->id)->count());
    }

    public function testAConversationKeepsToALine(): void
    {
        $this->textFrom(self::WEN, 'Hello?');
        $wen = $this->person(self::WEN);
        $workshop = Line::query()->where('key', 'workshop')->firstOrFail();

        $this->put("/people/$wen->id/line", ['line' => $workshop->id])->assertSessionHas(
            'done',
            'Rules that may choose a line text them from the workshop.',
        );
        self::assertSame($workshop->id, $wen->refresh()->line_id);
        $this->put("/people/$wen->id/line", ['line' => ''])->assertSessionHasNoErrors();

        self::assertNull($wen->refresh()->line_id);
    }

    private function import(string ...$rules): void
    {
        self::assertSame(
            0,
            Artisan::call('linnet:rules', [
                'what' => 'import',
                'paths' => array_map(fn (string $rule): string => base_path("demo/rules/$rule.json"), $rules),
                '--on' => true,
            ]),
        );
    }
}
