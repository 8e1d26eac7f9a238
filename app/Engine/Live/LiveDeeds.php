<?php

declare(strict_types=1);

namespace App\Engine\Live;

use App\Intake\ChangeRow;
use App\Intake\Door;
use App\Intake\Origin;
use App\Models\ChangeKind;
use App\Models\Errand;
use App\Models\ErrandKind;
use App\Models\Person as PersonModel;
use App\Models\Record as RecordModel;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Engine\Books\Deeds;
use Linnet\Core\Engine\Cause;
use Linnet\Core\Engine\Effect\SetLabel;
use Linnet\Core\Engine\Published;
use Linnet\Core\Engine\Run;
use Linnet\Core\Intake\PersonSaid;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Reason;
use Linnet\Core\Record\Record;
use Linnet\Core\Record\Staff;
use Linnet\Core\Rule\Trigger\AskedBy;

/** What runs do besides texting: written where it belongs, each once by its name. What goes outside becomes an errand. */
final class LiveDeeds implements Deeds
{
    private ?Desk $desk = null;

    public function __construct(private readonly Door $door)
    {
    }

    public function at(Desk $desk): self
    {
        $at = new self($this->door);
        $at->desk = $desk;

        return $at;
    }

    public function setFields(Run $run, array $own, ?Record $record, array $values, Cause $cause): void
    {
        if ($own !== []) {
            $this->orSaid($run, fn () => $this->setPerson($run, $own, $cause));
        }
        if ($record !== null && $values !== []) {
            $this->orSaid($run, fn () => $this->setRecord($run, $record->id, $values, $cause));
        }
    }

    public function setLabel(Run $run, SetLabel $effect, Cause $cause): void
    {
        Labels::set($run->personId(), $effect->kind, $effect->label, $effect->added, Origin::rule($run->rule->name, $cause->links), $this->desk()->now);
        $this->desk()->known->forgetPerson($run->personId());
    }

    public function notice(Run $run, string $name, ?Staff $to, string $words): void
    {
        DB::table('notices')->insertOrIgnore([
            'name' => "$run->id/$name", 'staff_id' => $to?->id, 'person_id' => $run->personId(), 'rule_id' => (int) $run->ruleId, 'words' => $words, 'at' => LiveRuns::at($this->desk()->now),
        ]);
    }

    public function email(Run $run, string $name, string $address, string $words): void
    {
        $this->errand($run, $name, ErrandKind::Email, $address, ['subject' => $run->rule->name, 'words' => $words]);
    }

    public function task(Run $run, string $name, ?Staff $for, string $words, ?\DateTimeImmutable $dueAt): void
    {
        DB::table('tasks')->insertOrIgnore([
            'name' => "$run->id/$name", 'staff_id' => $for?->id, 'person_id' => $run->personId(), 'record_id' => $run->subject->recordId, 'rule_id' => (int) $run->ruleId,
            'words' => $words, 'at' => LiveRuns::at($this->desk()->now), 'due_at' => $dueAt === null ? null : LiveRuns::at($dueAt),
        ]);
    }

    public function lookUp(Run $run, string $name, string $number): void
    {
        $this->errand($run, $name, ErrandKind::LookUp, $number, []);
    }

    public function post(Run $run, string $name, string $address, array $body): void
    {
        $this->errand($run, $name, ErrandKind::Post, $address, $body);
    }

    public function ask(Run $run, Published $rule, Cause $cause): void
    {
        DB::table('changes')->insert(ChangeRow::of(
            ChangeKind::Asked, $run->subject->recordId, $run->personId(), null, [], Origin::rule($run->rule->name, $cause->links), $this->desk()->now,
            ['rule_id' => (int) $rule->ruleId, 'by' => AskedBy::Rule->value],
        ));
    }

    /** @param  array<string, scalar|null>  $new */
    private function setPerson(Run $run, array $new, Cause $cause): void
    {
        $person = PersonModel::query()->findOrFail($run->personId());
        $own = array_intersect_key($new, ['first_name' => 1, 'last_name' => 1, 'zone' => 1]);
        $this->door->editPerson($person, new PersonSaid(
            email: isset($new['email']) ? (string) $new['email'] : $person->email,
            own: array_map(strval(...), array_filter($own, fn (mixed $v): bool => $v !== null)) + array_filter(['first_name' => $person->first_name, 'last_name' => $person->last_name, 'zone' => $person->zone]),
            fields: array_diff_key($new, $own, ['email' => 1]) + $person->fields,
        ), Origin::rule($run->rule->name, $cause->links));
        $this->desk()->known->forgetPerson($person->id);
    }

    /** @param  array<string, scalar|null>  $new */
    private function setRecord(Run $run, int $id, array $new, Cause $cause): void
    {
        $record = RecordModel::query()->with('type.fields')->lockForUpdate()->find($id);
        if ($record !== null) {
            $this->door->edit($record, $new, Origin::rule($run->rule->name, $cause->links));
            $this->desk()->known->forgetRecord($record->id);
        }
    }

    /**
     * One that is refused is said, and keeps no other from being done.
     *
     * @param  \Closure(): void  $deed
     */
    private function orSaid(Run $run, \Closure $deed): void
    {
        try {
            $deed();
        } catch (Refused $e) {
            $this->desk()->runs->note(new Reason('deed.not_done', ['because' => $e->reason()->toArray()]), $run->ruleId, $run, $run->subject);
        }
    }

    /** @param  array<array-key, mixed>  $body */
    private function errand(Run $run, string $name, ErrandKind $kind, string $address, array $body): void
    {
        Errand::ask("$run->id/$name", $kind, $address, $body, (int) $run->ruleId, $run->id, $run->personId(), $this->desk()->now);
    }

    private function desk(): Desk
    {
        return $this->desk ?? throw new \LogicException('deeds are done at a desk');
    }
}
