<?php

declare(strict_types=1);

namespace App\Engine\Store;

use App\Intake\ChangeOrigin;
use App\Intake\ChangeRow;
use App\Intake\RecordWriter;
use App\Jobs\OutboundTaskQueue;
use App\Models\ChangeKind;
use App\Models\OutboundTaskKind;
use App\Models\Person as PersonModel;
use App\Models\Record as RecordModel;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Engine\Cause;
use Linnet\Core\Engine\Effect\SetLabel;
use Linnet\Core\Engine\Port\SideEffects;
use Linnet\Core\Engine\Published;
use Linnet\Core\Engine\Run;
use Linnet\Core\Intake\PersonInput;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Reason;
use Linnet\Core\Record\Change\AskedBy;
use Linnet\Core\Record\Record;
use Linnet\Core\Record\Staff;

/** What runs do besides texting: written where it belongs, each once by its name. What goes outside becomes a task outside. */
final readonly class DatabaseSideEffects implements SideEffects
{
    public function __construct(private RecordWriter $writer, private ?DatabaseRunStore $runs = null)
    {
    }

    /** Those of one transaction. */
    public function with(DatabaseRunStore $runs): self
    {
        return new self($this->writer, $runs);
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
        Labels::set(
            $run->personId(), $effect->kind, $effect->label, $effect->added, ChangeOrigin::rule($run->rule->name, $cause->links),
            $this->runs()->now,
        );
        $this->runs()->reader->forgetPerson($run->personId());
    }

    public function notice(Run $run, string $name, ?Staff $to, string $words): void
    {
        DB::table('notices')->insertOrIgnore([
            'name' => "$run->id/$name", 'staff_id' => $to?->id, 'person_id' => $run->personId(), 'rule_id' => (int) $run->ruleId,
            'words' => $words, 'at' => DatabaseRunStore::at($this->runs()->now),
        ]);
    }

    public function email(Run $run, string $name, string $address, string $words): void
    {
        $this->outside($run, $name, OutboundTaskKind::Email, $address, ['subject' => $run->rule->name, 'words' => $words]);
    }

    public function task(Run $run, string $name, ?Staff $for, string $words, ?\DateTimeImmutable $dueAt): void
    {
        DB::table('tasks')->insertOrIgnore([
            'name' => "$run->id/$name", 'staff_id' => $for?->id, 'person_id' => $run->personId(), 'record_id' => $run->subject->recordId,
            'rule_id' => (int) $run->ruleId, 'words' => $words, 'at' => DatabaseRunStore::at($this->runs()->now),
            'due_at' => $dueAt === null ? null : DatabaseRunStore::at($dueAt),
        ]);
    }

    public function lookUp(Run $run, string $name, string $number): void
    {
        $this->outside($run, $name, OutboundTaskKind::LookUp, $number, []);
    }

    public function post(Run $run, string $name, string $address, array $body): void
    {
        $this->outside($run, $name, OutboundTaskKind::Post, $address, $body);
    }

    public function requestStart(Run $run, Published $rule, Cause $cause): void
    {
        DB::table('changes')->insert(
            ChangeRow::of(
                ChangeKind::Asked, $run->subject->recordId, $run->personId(), null, [], ChangeOrigin::rule($run->rule->name, $cause->links),
                $this->runs()->now, ['rule_id' => (int) $rule->ruleId, 'by' => AskedBy::Rule->value],
            ),
        );
    }

    /** @param  array<string, scalar|null>  $new */
    private function setPerson(Run $run, array $new, Cause $cause): void
    {
        $person = PersonModel::query()->findOrFail($run->personId());
        $own = array_intersect_key($new, ['first_name' => 1, 'last_name' => 1, 'zone' => 1]);
        $this->writer->editPerson(
            $person,
            new PersonInput(
                email: isset($new['email']) ? (string) $new['email'] : $person->email,
                own: array_map(strval(...), array_filter($own, fn (mixed $v): bool => $v !== null)) +
                    array_filter(['first_name' => $person->first_name, 'last_name' => $person->last_name, 'zone' => $person->zone]),
                fields: array_diff_key($new, $own, ['email' => 1]) + $person->fields,
            ),
            ChangeOrigin::rule($run->rule->name, $cause->links),
        );
        $this->runs()->reader->forgetPerson($person->id);
    }

    /** @param  array<string, scalar|null>  $new */
    private function setRecord(Run $run, int $id, array $new, Cause $cause): void
    {
        $record = RecordModel::query()->with('type.fields')->lockForUpdate()->find($id);
        if ($record !== null) {
            $this->writer->edit($record, $new, ChangeOrigin::rule($run->rule->name, $cause->links));
            $this->runs()->reader->forgetRecord($record->id);
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
            $this->runs()->note(
                new Reason('deed.not_done', ['because' => $e->reason()->toArray()]), $run->ruleId, $run, $run->subject,
            );
        }
    }

    /** @param  array<array-key, mixed>  $body */
    private function outside(Run $run, string $name, OutboundTaskKind $kind, string $address, array $body): void
    {
        OutboundTaskQueue::add(
            "$run->id/$name", $kind, $address, $body, (int) $run->ruleId, $run->id, $run->personId(), $this->runs()->now,
        );
    }

    private function runs(): DatabaseRunStore
    {
        return $this->runs ?? throw new \LogicException('deeds are done at a desk');
    }
}
