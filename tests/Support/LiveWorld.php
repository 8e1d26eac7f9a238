<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Counts\AccountOffsets;
use App\Engine\Outbox;
use App\Engine\OwnTexts;
use App\Engine\Runner;
use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\Labels;
use App\Engine\Store\UnitOfWork;
use App\Engine\WhichText;
use App\Engine\Worker;
use App\Inbound\InboundTexts;
use App\Intake\ChangeOrigin;
use App\Intake\ChangeRow;
use App\Intake\RecordWriter;
use App\Models\Business;
use App\Models\ChangeKind;
use App\Models\Line;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use App\Models\Person;
use App\Models\Rule;
use App\Models\RuleVersion;
use App\Models\Run;
use App\Models\Staff;
use App\Models\Timer;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Engine\OwnText;
use Linnet\Core\Intake\Cleaned;
use Linnet\Core\Intake\PersonInput;
use Linnet\Core\Number\PhoneNumber;
use Linnet\Core\Reason;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\Change\AskedBy;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rehearsal\World;
use Linnet\Core\Rehearsal\WorldEvent;
use Linnet\Core\Rehearsal\WorldEventKind;
use Linnet\Core\Rehearsal\WorldPerson;
use Linnet\Core\Rehearsal\WorldRecord;
use Linnet\Core\Rule as Core;

/** Lives through a world on paper in earnest: the same people, records and events, in the database and over HTTP. */
final class LiveWorld
{
    private int $texts = 0;

    /**
     * @param  array<string, mixed>  $document
     * @param  \Closure(\DateTimeImmutable): void  $clockTo
     */
    public function __construct(private readonly World $world, private readonly array $document, private readonly \Closure $clockTo)
    {
    }

    /**
     * @param  list<Core\Rule>  $rules besides those of the world, first in order
     * @param  \DateTimeImmutable|null  $quietFrom  from then on nothing happens any more, and nobody answers
     * @param  \Closure(): void|null  $then  what is asked at that moment
     */
    public function live(array $rules, ?\DateTimeImmutable $quietFrom = null, ?\Closure $then = null): void
    {
        $this->empty();
        ($this->clockTo)($this->world->begins);
        $this->fill();
        $runner = resolve(Runner::class);
        foreach ([...$rules, ...$this->world->rules] as $i => $rule) {
            $model = Rule::query()->create(['name' => $rule->name, 'key' => $rule->key, 'power' => ActivationState::Paused]);
            $version = RuleVersion::query()->create([
                'rule_id' => $model->id, 'number' => 1, 'document' => $rule->toDocument(), 'at' => $this->world->begins,
            ]);
            $model->update(['version_id' => $version->id]);
            $runner->switchOn($model->refresh());
        }
        $this->settle();
        foreach ($this->world->events as $event) {
            if ($quietFrom !== null && $event->at > $quietFrom) {
                break;
            }
            $this->until($event->at);
            $this->happen($event);
            $this->settle();
        }
        if ($quietFrom !== null && $then !== null) {
            $this->until($quietFrom);
            $then();
        }
        $this->until($this->world->ends);
    }

    private function until(\DateTimeImmutable $moment): void
    {
        while (
            ($due = Timer::query()->whereNotNull('due_at')->min('due_at')) !== null &&
            ($at = new \DateTimeImmutable((string) $due, new \DateTimeZone('UTC'))) <= $moment
        ) {
            ($this->clockTo)($at);
            $this->settle();
        }
        ($this->clockTo)($moment);
    }

    /** The engine and its tasks outside, until there is nothing left to do at this moment. */
    private function settle(): void
    {
        do {
            for ($done = 0; ($round = resolve(Worker::class)->round() + resolve(Outbox::class)->deliver()) > 0; $done += $round);
            $jobs = DB::table('jobs')->count();
            if ($jobs > 0) {
                DB::table('jobs')->update(['available_at' => 0]);
                app('queue.worker')
                    ->setCache(app('cache.store'))
                    ->daemon('database', 'default', new \Illuminate\Queue\WorkerOptions(stopWhenEmpty: true, sleep: 0));
            }
        } while ($jobs > 0);
    }

    private function empty(): void
    {
        Databases::empty(...Databases::tables());
    }

    private function fill(): void
    {
        $business = $this->document['business'];
        Business::query()->create([
            'install' => $business['install'] ?? '', 'name' => $business['name'], 'country' => $business['country'],
            'zone' => $business['zone'], 'locale' => $business['locale'] ?? 'en_GB', 'sending' => ActivationState::On,
            'opening_hours' => $business['opening_hours'], 'policy' => $business['policy'], 'words' => $business['words'],
            'tariff' => $business['tariff'], 'holidays' => $business['holidays'] ?? [],
            'leap_to_march' => ($business['leap_days_on'] ?? '') === '1_march',
        ]);
        AccountOffsets::fill(Business::query()->firstOrFail()->zone);
        foreach ($this->world->configuration->staff as $staff) {
            Staff::query()->create([
                'name' => $staff->name, 'email' => $staff->email, 'password' => 'x', 'role' => 'administrator', 'number' => $staff->number,
                'texts_allowed' => $staff->textsAllowed,
            ]);
        }
        foreach ($this->document['lines'] as $line) {
            Line::query()->create([
                'key' => $line['key'], 'name' => $line['name'], 'number' => $line['number'] ?? null, 'power' => ActivationState::On,
                'pace' => $line['pace'] ?? null, 'countries' => $line['countries'] ?? null, 'hours' => $line['hours'] ?? null,
            ]);
        }
        foreach ($this->world->configuration->types as $type) {
            $id = DB::table('record_types')->insertGetId([
                'key' => $type->key, 'name' => $type->name, 'plural' => $type->name.'s', 'person_field' => $type->personField,
                'start_field' => $type->startField,
            ]);
            foreach (array_values($type->fields) as $i => $field) {
                DB::table('fields')->insert([
                    'record_type_id' => $id, 'key' => $field->key, 'name' => $field->name, 'kind' => $field->kind->value,
                    'options' => $field->options === [] ? null : json_encode($field->options), 'of' => $field->of,
                    'at_place' => $field->atPlace, 'position' => $i,
                ]);
            }
        }
        foreach ($this->world->people as $person) {
            $this->person($person);
        }
        DB::transaction(fn () => array_map(fn (WorldRecord $record) => $this->record($record, true), $this->world->records));
        foreach ($this->document['audiences'] ?? [] as $name => $audience) {
            DB::table('audiences')->insert([
                'name' => $name, 'folded' => mb_strtolower($name), 'of' => $audience['of'],
                'condition' => json_encode($audience['condition']), 'at' => $this->document['begins'],
            ]);
        }
        foreach ($this->document['pools'] ?? [] as $name => $wordings) {
            DB::table('pools')->insert(['name' => $name, 'wordings' => json_encode($wordings)]);
        }
        foreach ($this->world->configuration->codes as $list => $codes) {
            foreach ($codes as $code) {
                DB::table('codes')->insert(['list' => $list, 'code' => $code]);
            }
        }
    }

    private function person(WorldPerson $said): void
    {
        $own = array_diff_key($said->own, ['first_name' => 1, 'last_name' => 1, 'email' => 1]);
        $id = DB::table('people')->insertGetId([
            'first_name' => $said->own['first_name'] ?? null, 'last_name' => $said->own['last_name'] ?? null,
            'email' => $said->own['email'] ?? null, 'zone' => $said->zone,
            'line_id' => $said->line === null ? null : Line::query()->where('key', $said->line)->value('id'),
            'fields' => json_encode((object) $own), 'added_at' => $this->world->begins->format('Y-m-d H:i:s'),
        ]);
        foreach ($said->numbers as $i => $number) {
            DB::table('numbers')->insert([
                'person_id' => $id, 'e164' => $number->e164, 'country' => $number->country, 'kind' => $number->kind->value,
                'zones' => json_encode($number->zones), 'rank' => count($said->numbers) - $i,
            ]);
            foreach (array_filter(['granted/marketing' => $said->optedIn, 'withdrawn/all' => $said->optedOut]) as $entry => $is) {
                [$act, $scope] = explode('/', $entry);
                DB::table('consents')->insert([
                    'person_id' => $id, 'number' => $number->e164, 'act' => $act, 'scope' => $scope, 'how' => 'file',
                    'at' => $this->world->begins->format('Y-m-d H:i:s'),
                ]);
            }
        }
        foreach (['tag' => $said->tags, 'list' => $said->lists] as $kind => $names) {
            foreach ($names as $name) {
                DB::table('labels')->insert(['person_id' => $id, 'kind' => $kind, 'name' => $name, 'folded' => mb_strtolower($name)]);
            }
        }
    }

    private function record(WorldRecord $record, bool $quietly = false): void
    {
        $type = $this->world->configuration->types[$record->type];
        $fields = [];
        foreach ($record->values as $key => $value) {
            $fields[$key] = $type->fields[$key]->kind === FieldKind::Staff && $value !== null ? "#$value" : $value;
        }
        $origin = ChangeOrigin::staff(Staff::query()->firstOrFail());
        resolve(RecordWriter::class)->upsert(
            new Cleaned(
                $record->type, $record->key, new PersonInput(number: $record->person === null ? null : $this->number($record->person)),
                $fields,
            ),
            $quietly ? $origin->quietly() : $origin,
        );
    }

    private function happen(WorldEvent $event): void
    {
        $id = $event->person === null ? null : 1 + (int) array_search($event->person, array_column($this->world->people, 'key'), true);
        $staff = Staff::query()->firstOrFail();
        $rule = fn (): ?Rule => Rule::query()->firstWhere('key', $event->key);
        $runner = resolve(Runner::class);
        match ($event->kind) {
            WorldEventKind::Record => DB::transaction(fn () => $event->new === null ? null : $this->record($event->new)),
            WorldEventKind::Person => $this->change((int) $id, $event->values, $staff),
            WorldEventKind::Text => resolve(InboundTexts::class)->receive(
                'w'.++$this->texts, $this->number((string) $event->person)->e164 ?? '',
                (string) Line::query()->firstWhere('key', $event->key)?->number, $event->text,
            ),
            WorldEventKind::Label => Labels::set(
                (int) $id, $event->label, $event->text, $event->added, ChangeOrigin::staff($staff), $event->at,
            ),
            WorldEventKind::Form => $this->changed(ChangeKind::FormSent, $id, ['form' => $event->key], $event->at, $staff),
            WorldEventKind::Fate => $this->changed(
                ChangeKind::StatusReported, $id, array_filter(['fate' => $event->fate->value, 'rule' => $event->ofRule]), $event->at,
                $staff,
            ),
            WorldEventKind::Start => ($model = $rule()) !== null && $model->power === ActivationState::On
                ? $this->start($model, (int) $id, $event->record, $staff)
                : null,
            WorldEventKind::Rule => ($model = $rule()) === null || $model->power === $event->power
                ? null
                : match ($event->power) {
                    ActivationState::On => $runner->switchOn($model),
                    ActivationState::Paused => $model->update(['power' => ActivationState::Paused]),
                    ActivationState::Retired => $runner->retire($model),
                },
            WorldEventKind::Line => $runner->switchLine(Line::query()->where('key', $event->key)->firstOrFail(), $event->power),
            WorldEventKind::Stop => Run::query()
                ->where('rule_id', $rule()?->id)
                ->where('person_id', $id)
                ->where('live', true)
                ->orderBy('id')
                ->pluck('id')
                ->each(fn (int $run) => $runner->stopBy($run, $staff->name)),
            WorldEventKind::Wrote => UnitOfWork::transaction(
                $event->at, resolve(DatabaseSideEffects::class), fn (UnitOfWork $unit) => $unit->conductor->wrote((int) $id, $staff->name),
                [(int) $id],
            ),
            WorldEventKind::GiveBack => Run::query()->where('rule_id', $rule()?->id)->where('person_id', $id)->where('live', true)
                ->orderBy('id')->pluck('id')->each(fn (int $run) => $runner->giveBack($run, $staff->name)),
            WorldEventKind::Skip => array_map(
                fn (int $text) => $this->skip(Message::query()->with('run')->findOrFail($text), $staff), $this->waiting($rule(), $id),
            ),
            WorldEventKind::OwnText => $this->decide((int) $id, $rule(), $event, $staff),
            WorldEventKind::Release => $runner->release($this->waiting($rule())),
        };
    }

    private function skip(Message $text, Staff $staff): void
    {
        $name = substr($text->name, strlen("$text->run_id/"));
        $which = new WhichText(
            (int) $text->rule_id, $text->run->person_id ?? $text->person_id, $text->person_id, $text->run?->record_id, $text->run_id, $name,
            'a',
        );
        $own = new OwnText(skip: true, by: $staff->name);
        resolve(OwnTexts::class)->decide($which, fn (): OwnText => $own, new Reason('own.skipped', ['staff' => $staff->name]));
    }

    private function decide(int $person, ?Rule $rule, WorldEvent $event, Staff $staff): void
    {
        $type = $rule?->version?->read()->trigger->type();
        if ($rule === null || $type === null) {
            return;
        }
        $of = fn (?int $record, ?int $run, int $round): WhichText => new WhichText(
            $rule->id, $person, $person, $record, $run, "$event->text/$round", 'a',
        );
        $which = [];
        $live = Run::query()->where('rule_id', $rule->id)->where('person_id', $person)->where('live', true)->orderBy('id');
        foreach ($live->get() as $run) {
            $which[$run->record_id ?? 0][] = $of($run->record_id, $run->id, (int) $run->state['round']);
        }
        $records = $type === RecordType::PERSON ? [null] : DB::table('records')
            ->join('record_types', 'record_types.id', '=', 'records.record_type_id')
            ->where('record_types.key', $type)
            ->where('records.person_id', $person)
            ->orderBy('records.id')
            ->pluck('records.id')
            ->all();
        foreach ($records as $record) {
            $which[(int) $record] ??= [$of($record === null ? null : (int) $record, null, 1)];
        }
        $own = new OwnText($event->own->words, $event->own->at, $event->own->skip, $staff->name);
        foreach (array_merge(...$which) as $one) {
            resolve(OwnTexts::class)->decide($one, fn (): OwnText => $own, new Reason('own.words', ['staff' => $staff->name]));
        }
    }

    /** @return list<int> the texts of a rule that wait, for anybody or for one person */
    private function waiting(?Rule $rule, ?int $person = null): array
    {
        $ids = Message::query()
            ->where('rule_id', $rule?->id)
            ->whereIn('state', [MessageState::Waiting, MessageState::SetAside])
            ->when($person !== null, fn ($query) => $query->where('person_id', $person)->where('origin', MessageOrigin::Rule))
            ->orderBy('id')
            ->pluck('id');

        return array_values(array_map(intval(...), $ids->all()));
    }

    /** Started for a record, it is about whose that is by then. */
    private function start(Rule $rule, int $person, ?string $key, Staff $staff): void
    {
        $record = $key === null ? null : DB::table('records')->where('external_id', $key)->first(['id', 'person_id']);
        resolve(Runner::class)->start($rule, (int) ($record->person_id ?? $person), $record?->id, AskedBy::Hand, $staff);
    }

    /** @param  array<string, scalar>  $values */
    private function change(int $id, array $values, Staff $staff): void
    {
        $person = Person::query()->findOrFail($id);
        $own = array_intersect_key($values, ['first_name' => 1, 'last_name' => 1]);
        DB::transaction(
            fn () => resolve(RecordWriter::class)->editPerson(
                $person,
                new PersonInput(
                    email: isset($values['email']) ? (string) $values['email'] : $person->email,
                    own: array_map(strval(...), $own) +
                        array_filter(['first_name' => $person->first_name, 'last_name' => $person->last_name, 'zone' => $person->zone]),
                    fields: array_diff_key($values, $own, ['email' => 1]) + $person->fields,
                ),
                ChangeOrigin::staff($staff),
            ),
        );
    }

    /** @param  array<string, mixed>  $with */
    private function changed(ChangeKind $kind, ?int $person, array $with, \DateTimeImmutable $at, Staff $staff): void
    {
        DB::table('changes')->insert(ChangeRow::of($kind, null, $person, null, [], ChangeOrigin::staff($staff), $at, $with));
    }

    private function number(string $person): ?PhoneNumber
    {
        return array_column($this->world->people, null, 'key')[$person]->numbers[0] ?? null;
    }
}
