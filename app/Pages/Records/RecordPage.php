<?php

declare(strict_types=1);

namespace App\Pages\Records;

use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Models\Business;
use App\Models\Change;
use App\Models\ComingText;
use App\Models\Field;
use App\Models\Line;
use App\Models\Person;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Rule;
use App\Models\Run;
use App\Models\Staff;
use App\Pages\Ahead\ComingTextReader;
use App\Pages\Story;
use App\Pages\StoryReader;
use App\Records\Shown;
use App\Rules\StartByHand;
use Illuminate\Support\Collection;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\Receiver;
use Psr\Clock\ClockInterface;

/** What is happening with this record? */
final class RecordPage
{
    public readonly Shown $shown;

    public readonly string $title;

    public function __construct(public readonly Record $record, public readonly RecordType $type, private readonly Business $business)
    {
        $record->setRelation('type', $type->loadMissing('fields'));
        $this->shown = new Shown($type, [$record->values], $business->zone, $business->currency());
        $this->title = $record->exists ? $record->called() : 'A new '.mb_strtolower($type->name);
    }

    /** @return list<array{field: Field, person: Person, receiver: Receiver}> whom it is about, then who else stands in it */
    public function people(): array
    {
        return once(function (): array {
            $ids = [];
            $fields = $this->type->fields->where('kind', FieldKind::Person);
            foreach ($fields->sortByDesc($this->isMain(...)) as $field) {
                $id = $this->isMain($field) ? $this->record->person_id : $this->record->values[$field->key] ?? null;
                is_int($id) && $ids[$id] ??= $field;
            }
            $people = Person::query()->with('number')->whereKey(array_keys($ids))->get()->keyBy('id');
            $unit = UnitOfWork::reading(resolve(ClockInterface::class)->now(), resolve(DatabaseSideEffects::class));
            $unit->reader->preload(array_keys($ids));
            $found = [];
            foreach ($ids as $id => $field) {
                $known = $unit->reader->person($id);
                if ($known !== null && isset($people[$id])) {
                    $found[] = ['field' => $field, 'person' => $people[$id], 'receiver' => $unit->contexts->receiver($known)];
                }
            }

            return $found;
        });
    }

    private function isMain(Field $field): bool
    {
        return $field->key === $this->type->person_field;
    }

    /** @return Collection<int, Run> */
    public function underWay(): Collection
    {
        return Run::query()->where('record_id', $this->record->id)->where('live', true)->with(['rule', 'timer'])->orderBy('id')->get();
    }

    /** @return Collection<int, Rule> that can be started for it by hand */
    public function startable(): Collection
    {
        return once(fn (): Collection => StartByHand::offered($this->type->key));
    }

    /** @return Collection<int, Rule> about records of its type, which may be asked why they sent nothing */
    public function rules(): Collection
    {
        return once(fn (): Collection => Rule::query()
            ->whereNotNull('version_id')
            ->with('version')
            ->orderBy('name')
            ->get()
            ->filter(fn (Rule $rule): bool => ($rule->version?->document['trigger']['type'] ?? '') === $this->type->key)
            ->values());
    }

    /** @return Collection<int, ComingText> */
    public function coming(): Collection
    {
        return once(fn (): Collection => ComingTextReader::ofRecord($this->record->id));
    }

    public function story(): Story
    {
        return once(fn (): Story => StoryReader::ofRecord($this->record, $this->business));
    }

    /**
     * What else its person has, newest first.
     *
     * @return Collection<int, Record>
     */
    public function besides(): Collection
    {
        return once(fn (): Collection => $this->record->person_id === null
            ? new Collection
            : Record::query()
                ->where('person_id', $this->record->person_id)
                ->whereKeyNot($this->record->id)
                ->with('type')
                ->orderByDesc('id')
                ->limit(6)
                ->get());
    }

    public function lastChange(): ?Change
    {
        return Change::query()->where('record_id', $this->record->id)->orderByDesc('id')->first();
    }

    /** A field's value as its control takes it. */
    public function typed(Field $field): string
    {
        $value = $this->record->values[$field->key] ?? null;

        return match (true) {
            $value === null => '',
            $field->kind === FieldKind::DateTime => (new \DateTimeImmutable((string) $value))
                ->setTimezone(new \DateTimeZone($this->business->zone))
                ->format('Y-m-d\TH:i'),
            $field->kind === FieldKind::YesNo => $value ? 'yes' : 'no',
            $field->kind === FieldKind::Staff => "#$value",
            $field->kind->isReference() => $this->shown->key($field->key, $value)." (#$value)",
            default => (string) $value,
        };
    }

    /** @return array<string, string> what a field with few possible values may hold */
    public function choices(Field $field): array
    {
        return match ($field->kind) {
            FieldKind::Choice => array_combine($field->options ?? [], $field->options ?? []),
            FieldKind::YesNo => ['yes' => 'yes', 'no' => 'no'],
            FieldKind::Staff => Staff::query()
                ->orderBy('name')
                ->get(['id', 'name'])
                ->mapWithKeys(fn (Staff $staff): array => ["#$staff->id" => $staff->name])
                ->all(),
            FieldKind::Line => Line::query()->whereNotNull('number')->orderBy('id')->pluck('name', 'number')->all(),
            default => [],
        };
    }

    public static function control(FieldKind $kind): string
    {
        return match ($kind) {
            FieldKind::Choice, FieldKind::YesNo, FieldKind::Staff, FieldKind::Line => 'select',
            FieldKind::LongText => 'textarea',
            FieldKind::Person, FieldKind::Record => 'pick',
            FieldKind::Date => 'date',
            FieldKind::DateTime => 'datetime-local',
            FieldKind::Phone => 'tel',
            FieldKind::Email => 'email',
            default => 'text',
        };
    }
}
