<?php

declare(strict_types=1);

namespace App\Engine\Store;

use App\Models\Audience as AudienceModel;
use App\Models\Business;
use App\Models\ChangeKind;
use App\Models\Line as LineModel;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use App\Models\Pool;
use App\Models\Record as RecordModel;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Context\Reply;
use Linnet\Core\Engine\Port\BusinessReader;
use Linnet\Core\Engine\Published;
use Linnet\Core\Gate\Policy;
use Linnet\Core\InMemory\Configuration;
use Linnet\Core\Number\NumberKind;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\Business as CoreBusiness;
use Linnet\Core\Record\Field;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\Line;
use Linnet\Core\Record\Named;
use Linnet\Core\Record\Person;
use Linnet\Core\Record\PersonNumber;
use Linnet\Core\Record\Record;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Record\Staff;
use Linnet\Core\Rule\Audience;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Text\Wording\Wording;
use Linnet\Core\Text\Words\ReservedWords;
use Linnet\Core\Time\Zone;

/** Reads from the database what is known, each thing once. */
final class DatabaseBusinessReader implements BusinessReader
{
    /** What is read of a record. */
    private const RECORD = ['id', 'record_type_id', 'values', 'person_id', 'changed_at'];

    /** @var array<string, Rule> read from their documents, by these documents' fingerprints */
    private static array $read = [];

    /** @var array<int, Rule> by version */
    private array $versions = [];

    private readonly CoreBusiness $business;

    private readonly Policy $policy;

    /** @var array<int, Person|null> */
    private array $people = [];

    /** @var array<int, Record|null> */
    private array $records = [];

    /** @var array<string, RecordType>|null by key */
    private ?array $types = null;

    /** @var array<int, string> keys of types by their row's id */
    private array $typeKeys = [];

    /** @var array<int, Staff>|null */
    private ?array $staff = null;

    /** @var array<string, list<Wording>>|null by name */
    private ?array $pools = null;

    /** @var array<string, Audience>|null by name */
    private ?array $audiences = null;

    /** @var array<string, Line>|null by key */
    private ?array $lines = null;

    /** @var array<string, array{optedOut: bool, optedIn: bool, mayHaveOptedOut: bool}> */
    private array $consents = [];

    /** @var array<int, \DateTimeImmutable|null> */
    private array $replied = [];

    /** @var array<int, \DateTimeImmutable> when something last happened about them, by person */
    private array $changed = [];

    /** @var array<int, int|null> by rule */
    private array $versionIds = [];

    /** @var list<Published>|null */
    private ?array $rules = null;

    /** @var array<int, array{power: ActivationState, pausedUntil: \DateTimeImmutable|null}> */
    private array $powers = [];

    public function __construct(
        private readonly \DateTimeImmutable $now,
        private readonly Business $model,
        private readonly ?JustLeft $justLeft = null,
    ) {
        $this->business = $model->asSender();
        $this->policy = $model->gatePolicy();
    }

    public function now(): \DateTimeImmutable
    {
        return $this->now;
    }

    public function business(): CoreBusiness
    {
        return $this->business;
    }

    public function policy(): Policy
    {
        return $this->policy;
    }

    public function words(): ReservedWords
    {
        return $this->model->reservedWords();
    }

    /** @param  list<int>  $ids people that will be asked about, and what they said */
    public function preload(array $ids): void
    {
        foreach (array_chunk($this->preloadPeople($ids), 500) as $chunk) {
            $this->preloadWords(
                $chunk,
                array_merge(...array_map(fn (int $id): array => array_column($this->people[$id]->numbers ?? [], 'e164'), $chunk)),
            );
        }
    }

    /**
     * @param  list<int>  $ids
     * @return list<int> those of them that were not read before
     */
    public function preloadPeople(array $ids): array
    {
        $ids = array_values(array_filter($ids, fn (int $id): bool => ! array_key_exists($id, $this->people)));
        foreach (array_chunk($ids, 500) as $chunk) {
            $numbers = $labels = [];
            foreach (DB::table('numbers')->whereIn('person_id', $chunk)->orderByDesc('rank')->orderBy('id')->get() as $number) {
                $numbers[(int) $number->person_id][] = $number;
            }
            foreach (DB::table('labels')->whereIn('person_id', $chunk)->orderBy('id')->get(['person_id', 'kind', 'name']) as $label) {
                $labels[(int) $label->person_id][] = $label;
            }
            $this->people += array_fill_keys($chunk, null);
            foreach (
                DB::table('people')
                    ->whereIn('id', $chunk)
                    ->get(['id', 'first_name', 'last_name', 'email', 'zone', 'locale', 'fields', 'line_id']) as $row
            ) {
                $this->people[(int) $row->id] = self::read(
                    $row, $row->line_id === null ? null : $this->lineKey((int) $row->line_id), $numbers[(int) $row->id] ?? [],
                    $labels[(int) $row->id] ?? [],
                );
            }
        }

        return $ids;
    }

    public function person(int $id): ?Person
    {
        if (! array_key_exists($id, $this->people)) {
            $this->preload([$id]);
        }

        return $this->people[$id];
    }

    /** @return list<int> whom it has read */
    public function known(): array
    {
        return array_keys(array_filter($this->people));
    }

    /** What is read of a person next is read anew: something about them was changed. */
    public function forgetPerson(int $id): void
    {
        unset($this->people[$id]);
    }

    public function forgetRecord(int $id): void
    {
        unset($this->records[$id]);
    }

    public function forgetWords(int $personId, string $number): void
    {
        unset($this->consents[$number], $this->replied[$personId]);
    }

    /** Read once for as long as the process lives. */
    private static function parse(string $document): Rule
    {
        return self::$read[md5($document)] ??= Rule::fromJson($document);
    }

    /** @param  list<int>  $ids records that will be asked about */
    public function preloadRecords(array $ids): void
    {
        $ids = array_values(array_filter($ids, fn (int $id): bool => ! array_key_exists($id, $this->records)));
        foreach (array_chunk($ids, 500) as $chunk) {
            $this->records += array_fill_keys($chunk, null);
            foreach (DB::table('records')->whereIn('id', $chunk)->get(self::RECORD) as $row) {
                $this->hydrate($row);
            }
        }
    }

    public function record(int $id): ?Record
    {
        if (! array_key_exists($id, $this->records)) {
            $this->preloadRecords([$id]);
        }

        return $this->records[$id];
    }

    public function type(string $key): ?RecordType
    {
        return $this->types()[$key] ?? null;
    }

    /** What a type is called in the database; 0 where there is none. */
    public function typeId(string $key): int
    {
        return (int) array_search($key, $this->typeKeys(), true);
    }

    public function recordsOf(int $personId, string $type): array
    {
        return array_values(
            DB::table('records')
                ->where('record_type_id', $this->typeId($type))
                ->where('person_id', $personId)
                ->orderByDesc('id')
                ->get(self::RECORD)
                ->map(fn (\stdClass $row): Record => $this->records[(int) $row->id] ?? $this->hydrate($row))
                ->all(),
        );
    }

    public function staff(int $id): ?Staff
    {
        return $this->staffById()[$id] ?? null;
    }

    public function staffByEmail(string $email): ?Staff
    {
        foreach ($this->staffById() as $staff) {
            if (strcasecmp($staff->email, $email) === 0) {
                return $staff;
            }
        }

        return null;
    }

    public function nameOf(FieldKind $kind, int $id): Named|string|null
    {
        if ($kind !== FieldKind::Person) {
            return RecordModel::query()->with('type')->find($id)?->called();
        }
        $own = $this->person($id)->own ?? [];

        return Named::of($own['first_name'] ?? null, $own['last_name'] ?? null);
    }

    public function line(string $key): ?Line
    {
        return $this->allLines()[$key] ?? null;
    }

    public function lines(): array
    {
        return array_values($this->allLines());
    }

    public function lineKey(?int $id): ?string
    {
        foreach ($id === null ? [] : $this->allLines() as $line) {
            if ($line->id === $id) {
                return $line->key;
            }
        }

        return null;
    }

    public function consent(string $number): array
    {
        if (! isset($this->consents[$number])) {
            $this->preloadWords([], [$number]);
        }

        return $this->consents[$number];
    }

    public function lastReplyAt(int $personId): ?\DateTimeImmutable
    {
        if (! array_key_exists($personId, $this->replied)) {
            $this->preloadWords([$personId], []);
        }

        return $this->replied[$personId];
    }

    public function lastChangeAt(int $personId): \DateTimeImmutable
    {
        if (! isset($this->changed[$personId])) {
            $this->preloadLastChanges([$personId]);
        }

        return $this->changed[$personId] ?? $this->now;
    }

    /** @param  list<int>  $people */
    public function preloadLastChanges(array $people): void
    {
        foreach (DB::table('people')->whereIn('id', $people)->pluck('added_at', 'id') as $id => $at) {
            $this->changed[(int) $id] = self::moment($at);
        }
        $changes = DB::table('changes')
            ->whereIn('person_id', $people)
            ->whereNotIn('kind', [ChangeKind::Asked->value, ChangeKind::StatusReported->value])
            ->groupBy('person_id')
            ->selectRaw('person_id, max(at) as last_at')
            ->get();
        foreach ($changes as $row) {
            $this->changed[(int) $row->person_id] = max(
                $this->changed[(int) $row->person_id] ?? self::moment($row->last_at),
                self::moment($row->last_at),
            );
        }
    }

    public function replies(int $runId, int $after): array
    {
        return array_values(
            DB::table('messages')
                ->where('put_to_run_id', $runId)
                ->where('id', '>', $after)
                ->orderBy('id')
                ->get(['id', 'at', 'body', 'answer', 'remark'])
                ->map(
                    fn (\stdClass $row): Reply => new Reply(
                        (int) $row->id, self::moment($row->at), (string) $row->body, $row->answer === null ? null : (int) $row->answer,
                        (string) $row->remark,
                    ),
                )
                ->all(),
        );
    }

    public function lastTexts(int $personId): array
    {
        return ($this->justLeft?->to($personId) ?? []) + (self::lastTextsOf([$personId])[$personId] ?? []);
    }

    /**
     * When people last had a text of each rule.
     *
     * @param  list<int>  $people
     * @return array<int, array<string, \DateTimeImmutable>> by person and rule
     */
    public static function lastTextsOf(array $people): array
    {
        $rows = DB::table('messages')
            ->whereIn('person_id', $people)
            ->where('origin', MessageOrigin::Rule->value)
            ->whereNotNull('left_at')
            ->where('state', '!=', MessageState::Failed->value)
            ->groupBy('person_id', 'rule_id')
            ->selectRaw('person_id, rule_id, max(left_at) as last_at')
            ->get();
        $last = [];
        foreach ($rows as $row) {
            $last[(int) $row->person_id][(string) $row->rule_id] = self::moment($row->last_at);
        }

        return $last;
    }

    public function audience(string $name): ?Audience
    {
        return $this->audiences()[$name] ?? null;
    }

    /** @return array<string, Audience> by name */
    public function audiences(): array
    {
        return $this->audiences ??= AudienceModel::query()->orderBy('id')->get()
            ->mapWithKeys(fn (AudienceModel $one): array => [$one->name => $one->read()])->all();
    }

    public function pool(string $name): array
    {
        return Pool::named($name);
    }

    public function rules(): array
    {
        if ($this->rules === null) {
            $this->rules = [];
            $rows = DB::table('rules')
                ->join('rule_versions', 'rule_versions.id', '=', 'rules.version_id')
                ->where('rules.power', ActivationState::On->value)
                ->orderBy('rules.id')
                ->get(['rules.id', 'rule_versions.id as version_id', 'rule_versions.document']);
            foreach ($rows as $row) {
                $this->versionIds[(int) $row->id] = (int) $row->version_id;
                $this->rules[] = new Published(
                    (string) $row->id,
                    ($this->versions[(int) $row->version_id] ??= self::parse((string) $row->document)),
                );
            }
        }

        return $this->rules;
    }

    /** The version of a rule that counts for what begins now. */
    public function versionOf(int $ruleId): ?int
    {
        $this->rules();

        return $this->versionIds[$ruleId] ??= (int) DB::table('rules')->where('id', $ruleId)->value('version_id') ?: null;
    }

    public function rule(int $id): ?Published
    {
        foreach ($this->rules() as $published) {
            if ($published->ruleId === (string) $id) {
                return $published;
            }
        }

        return null;
    }

    public function ruleByKey(string $key): ?Published
    {
        foreach ($this->rules() as $published) {
            if ($published->rule->key === $key) {
                return $published;
            }
        }

        return null;
    }

    /** @return array{power: ActivationState, pausedUntil: \DateTimeImmutable|null} */
    public function powerOf(int $ruleId): array
    {
        if ($this->powers === []) {
            foreach (DB::table('rules')->get(['id', 'power', 'paused_until']) as $row) {
                $this->powers[(int) $row->id] = [
                    'power' => ActivationState::from((string) $row->power),
                    'pausedUntil' => $row->paused_until === null ? null : self::moment($row->paused_until),
                ];
            }
        }

        return $this->powers[$ruleId] ?? ['power' => ActivationState::Retired, 'pausedUntil' => null];
    }

    /** @param  list<int>  $ids versions that will be asked for */
    public function preloadVersions(array $ids): void
    {
        $ids = array_values(array_filter($ids, fn (int $id): bool => ! array_key_exists($id, $this->versions)));
        foreach (DB::table('rule_versions')->whereIn('id', $ids)->pluck('document', 'id') as $id => $document) {
            $this->versions[(int) $id] = self::parse((string) $document);
        }
    }

    public function version(int $id): Rule
    {
        return $this->versions[$id] ??= self::parse((string) DB::table('rule_versions')->where('id', $id)->value('document'));
    }

    /**
     * What paper begins with, whoever is on it.
     *
     * @param  array<string, list<string>>  $codes  those that would be given next, by list
     * @param  array<string, list<Wording>>|null  $pools  null for all there are
     * @param  array<string, bool>  $alive  what a look-up says of a number
     */
    public function configuration(array $codes = [], ?array $pools = null, array $alive = []): Configuration
    {
        return new Configuration(
            $this->business, $this->policy, $this->words(), $this->types(), $this->lines(), $this->allStaff(),
            $pools ?? $this->pools(), $codes, $alive, $this->audiences(),
        );
    }

    public static function moment(mixed $written): \DateTimeImmutable
    {
        return new \DateTimeImmutable((string) $written, Zone::utc());
    }

    /** @return array<string, RecordType> */
    public function types(): array
    {
        if ($this->types === null) {
            $this->types = [];
            $fields = DB::table('fields')
                ->whereNull('removed_at')
                ->orderBy('position')
                ->orderBy('id')
                ->get(['record_type_id', 'key', 'name', 'kind', 'options', 'of', 'at_place'])
                ->groupBy('record_type_id');
            foreach (DB::table('record_types')->get(['id', 'key', 'name', 'person_field', 'start_field']) as $type) {
                $theirs = [];
                foreach ($fields[$type->id] ?? [] as $row) {
                    /** @var list<string> $options */
                    $options = $row->options === null ? [] : json_decode((string) $row->options, true, 4, JSON_THROW_ON_ERROR);
                    $theirs[(string) $row->key] = new Field(
                        (string) $row->key, (string) $row->name, FieldKind::from((string) $row->kind), $options, $row->of,
                        (bool) $row->at_place,
                    );
                }
                $this->types[(string) $type->key] = new RecordType(
                    (string) $type->key, (string) $type->name, $theirs, $type->person_field, $type->start_field,
                );
                $this->typeKeys[(int) $type->id] = (string) $type->key;
            }
        }

        return $this->types;
    }

    /** @return array<int, string> */
    private function typeKeys(): array
    {
        $this->types();

        return $this->typeKeys;
    }

    private function hydrate(\stdClass $row): Record
    {
        /** @var array<string, string|int|float|bool|null> $values */
        $values = json_decode((string) $row->values, true, 64, JSON_THROW_ON_ERROR);

        return $this->records[(int) $row->id] = new Record(
            (int) $row->id, $this->types()[$this->typeKeys()[(int) $row->record_type_id]], $values,
            $row->person_id === null ? null : (int) $row->person_id, self::moment($row->changed_at),
        );
    }

    /** @return list<Staff> */
    public function allStaff(): array
    {
        return array_values($this->staffById());
    }

    /** @return array<string, list<Wording>> the shared pools */
    public function pools(): array
    {
        return $this->pools ??= Pool::query()->get()->mapWithKeys(fn (Pool $pool): array => [$pool->name => $pool->read()])->all();
    }

    /** @return array<int, Staff> */
    private function staffById(): array
    {
        return $this->staff ??= DB::table('staff')
            ->get()
            ->mapWithKeys(
                fn (\stdClass $row): array => [
                    (int) $row->id => new Staff(
                        (int) $row->id, (string) $row->name, (string) $row->email, $row->number,
                        $row->off_at === null && (bool) $row->texts_allowed,
                    ),
                ],
            )
            ->all();
    }

    /** @return array<string, Line> */
    private function allLines(): array
    {
        return $this->lines ??= LineModel::query()
            ->orderBy('id')
            ->get()
            ->mapWithKeys(fn (LineModel $line): array => [$line->key => $line->read()])
            ->all();
    }

    /**
     * What people said of late, and what the ledger says of their numbers.
     *
     * @param  list<int>  $people
     * @param  list<string>  $numbers
     */
    private function preloadWords(array $people, array $numbers): void
    {
        foreach ($people as $id) {
            $this->replied[$id] = null;
        }
        $texts =
            $people === []
                ? []
                : DB::table('messages')
                    ->whereIn('person_id', $people)
                    ->where('origin', MessageOrigin::Them->value)
                    ->groupBy('person_id')
                    ->selectRaw('person_id, max(at) as last_at')
                    ->get();
        foreach ($texts as $row) {
            $this->replied[(int) $row->person_id] = self::moment($row->last_at);
        }
        foreach (array_unique($numbers) as $number) {
            $this->consents[$number] = ['optedOut' => false, 'optedIn' => false, 'mayHaveOptedOut' => false];
        }
        if ($numbers === []) {
            return;
        }
        $newest = DB::table('consents')->whereIn('number', $numbers)->groupBy('number', 'scope')->selectRaw('max(id)');
        foreach (DB::table('consents')->whereIn('id', $newest)->get(['number', 'scope', 'act']) as $row) {
            if ($row->scope === 'all') {
                $this->consents[(string) $row->number]['optedOut'] = $row->act === 'withdrawn';
            } elseif ($row->scope === 'marketing') {
                $this->consents[(string) $row->number]['optedIn'] = $row->act === 'granted';
            }
        }
        foreach (DB::table('numbers')->whereIn('e164', $numbers)->whereNotNull('ambiguous_opt_out_message_id')->pluck('e164') as $number) {
            $this->consents[(string) $number]['mayHaveOptedOut'] = true;
        }
    }

    /**
     * @param  array<int, \stdClass>  $numbers  the preferred one first
     * @param  array<int, \stdClass>  $labels
     */
    private static function read(\stdClass $row, ?string $line, array $numbers, array $labels): Person
    {
        /** @var array<string, mixed> $fields */
        $fields = json_decode((string) $row->fields, true, 16, JSON_THROW_ON_ERROR);
        $theirs = array_map(self::number(...), array_values($numbers));
        $ids = [];
        foreach ($numbers as $i => $number) {
            $ids[$i] = (int) $number->id;
        }
        $newest = $ids === [] ? null : $theirs[(int) array_search(max($ids), $ids, true)];
        $named = fn (string $kind): array => array_values(
            array_map(
                fn (\stdClass $label): string => (string) $label->name,
                array_filter($labels, fn (\stdClass $label): bool => $label->kind === $kind),
            ),
        );

        return new Person(
            (int) $row->id, Person::nameFor($row->first_name, $row->last_name, $theirs),
            [...$fields, 'first_name' => $row->first_name, 'last_name' => $row->last_name, 'email' => $row->email],
            $theirs, $row->zone, $row->locale, $named('tag'), $named('list'), $newest, $line,
        );
    }

    private static function number(\stdClass $row): PersonNumber
    {
        /** @var non-empty-list<string> $zones */
        $zones = json_decode((string) $row->zones, true, 4, JSON_THROW_ON_ERROR);

        return new PersonNumber(
            (string) $row->e164, (string) $row->country, NumberKind::from((string) $row->kind), $zones,
            $row->alive === null ? null : (bool) $row->alive, (int) $row->rank,
            $row->looked_up_at === null ? null : self::moment($row->looked_up_at),
        );
    }
}
