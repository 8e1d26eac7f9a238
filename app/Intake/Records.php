<?php

declare(strict_types=1);

namespace App\Intake;

use App\Database\Insert;
use App\Models\Record;
use App\Models\RecordType;
use Linnet\Core\Intake\Cleaned;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Record\Field;
use Linnet\Core\Record\FieldKind;

/** The records of one type that a batch speaks of, loaded at once, and written one by one. */
final class Records
{
    /** @var array<array-key, Record> by external id */
    private array $known = [];

    /** @var array<array-key, array<string, mixed>> rows made in this batch, by external id */
    private array $made = [];

    /** @var array<string, Field> */
    private readonly array $fields;

    private readonly ?Field $leads;

    private readonly int $typeId;

    private readonly ?string $titleField;

    private ?Insert $insert = null;

    /** @param  array<array-key, string|null>  $externalIds */
    public function __construct(
        RecordType $type,
        private readonly References $references,
        private readonly ChangeOrigin $origin,
        private readonly \DateTimeImmutable $now,
        array $externalIds,
    ) {
        $this->fields = $type->read()->fields;
        $this->leads = $this->fields[$type->person_field ?? ''] ?? null;
        $this->typeId = $type->id;
        $this->titleField = $type->title_field;
        $wanted = array_values(array_unique(array_filter($externalIds, fn (?string $id): bool => $id !== null)));
        if ($wanted !== []) {
            $this->known = Record::query()
                ->where('record_type_id', $type->id)
                ->whereIn('external_id', $wanted)
                ->lockForUpdate()
                ->get()
                ->keyBy('external_id')
                ->all();
        }
    }

    /**
     * The values, with what they refer to looked up.
     *
     * @param  array<string, scalar|null>  $values
     * @return array<string, scalar|null>
     *
     * @throws Refused
     */
    public function resolve(array $values): array
    {
        foreach ($values as $key => $value) {
            $field = $this->fields[$key] ?? throw Refused::because('field_gone', ['field' => $key]);
            if (is_string($value) && $field->kind->isReference()) {
                $values[$key] = $this->references->find($field, $value);
            }
        }

        return $values;
    }

    /** Whether everything it says is older than what is known from the same source. */
    public function isLate(Cleaned $one): bool
    {
        $record = $this->known($one->externalId);
        if ($record === null || $one->version === null) {
            return false;
        }
        $newest = $record->versions[$this->origin->versions] ?? [];
        $newer = array_filter(array_keys($one->fields), fn (string $key): bool => ($newest[$key] ?? -INF) <= $one->version);

        return $newer === [] && $one->fields !== [];
    }

    /** @param  array<string, scalar|null>  $values resolved */
    public function write(Cleaned $one, array $values, ?int $personId, bool $newPerson): Written
    {
        if ($this->leads?->kind === FieldKind::Person) {
            if (isset($values[$this->leads->key])) {
                $personId = (int) $values[$this->leads->key];
            } elseif ($personId !== null) {
                $values[$this->leads->key] = $personId;
            }
        }
        $record = $this->known($one->externalId);

        return $record === null
            ? $this->add($one, $values, $personId, $newPerson)
            : $this->change($record, $one, $values, $personId, $newPerson);
    }

    /**
     * Changes one record that is known already, whatever it is called elsewhere.
     *
     * @param  array<string, scalar|null>  $values resolved
     */
    public function change(Record $record, Cleaned $one, array $values, ?int $personId, bool $newPerson): Written
    {
        if ($this->isLate($one)) {
            return new Written(IntakeResult::Late, $record->id, $record->person_id, [], [], $newPerson);
        }
        $versions = $record->versions ?? [];
        if ($one->version !== null) {
            $newest = $versions[$this->origin->versions] ?? [];
            $values = array_filter($values, fn (string $key): bool => ($newest[$key] ?? -INF) <= $one->version, ARRAY_FILTER_USE_KEY);
            $versions[$this->origin->versions] = array_replace($newest, array_fill_keys(array_keys($values), $one->version));
        }
        $known = $record->values;
        $changed = array_filter($values, fn (mixed $value, string $key): bool => ($known[$key] ?? null) !== $value, ARRAY_FILTER_USE_BOTH);
        $from = array_map(fn (string $key): mixed => $known[$key] ?? null, array_combine(array_keys($changed), array_keys($changed)));
        $leads = $this->leads?->kind === FieldKind::Person ? $this->leads->key : null;
        $personId = match (true) {
            $leads === null => $personId ?? $record->person_id,
            array_key_exists($leads, $changed) => $changed[$leads] === null ? null : (int) $changed[$leads],
            // Nothing was said of whom it is about, or nothing new.
            default => $record->person_id,
        };
        if ($changed === [] && $personId === $record->person_id) {
            if ($versions !== ($record->versions ?? [])) {
                $record->update(['versions' => $versions]);
            }

            return new Written(IntakeResult::Same, $record->id, $record->person_id, [], [], $newPerson);
        }
        $values = array_filter([...$known, ...$changed], fn (mixed $value): bool => $value !== null);
        $record->update([
            'values' => $values, 'person_id' => $personId, 'title' => $this->title($values), 'changed_at' => $this->now,
            'versions' => $versions === [] ? null : $versions,
        ]);

        return new Written(IntakeResult::Changed, $record->id, $personId, $from, $changed, $newPerson);
    }

    /** @param  array<string, scalar|null>  $values */
    private function add(Cleaned $one, array $values, ?int $personId, bool $newPerson): Written
    {
        $kept = array_filter($values, fn (mixed $value): bool => $value !== null);
        $versions = $one->version === null ? null : [$this->origin->versions => array_fill_keys(array_keys($values), $one->version)];
        $at = $this->now->format('Y-m-d H:i:s');
        $columns = [
            'record_type_id' => $this->typeId, 'person_id' => $personId, 'external_id' => $one->externalId,
            'values' => json_encode((object) $kept, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), 'added_at' => $at,
            'changed_at' => $at, 'title' => $this->title($kept),
            'versions' => $versions === null ? null : json_encode($versions, JSON_THROW_ON_ERROR),
        ];
        $this->insert ??= new Insert('records', array_keys($columns));
        $id = $this->insert->row($columns);
        if ($one->externalId !== null) {
            $this->made[$one->externalId] = ['id' => $id] + $columns;
        }

        return new Written(IntakeResult::Added, $id, $personId, [], $kept, $newPerson);
    }

    private function known(?string $externalId): ?Record
    {
        if ($externalId !== null && isset($this->made[$externalId])) {
            // Spoken of again in the same batch.
            $this->known[$externalId] = (new Record)->newFromBuilder($this->made[$externalId]);
            unset($this->made[$externalId]);
        }

        return $externalId === null ? null : $this->known[$externalId] ?? null;
    }

    /** @param  array<string, scalar|null>  $values */
    private function title(array $values): ?string
    {
        $title = $this->titleField === null ? null : $values[$this->titleField] ?? null;

        return $title === null ? null : mb_substr(mb_strtolower((string) $title, 'UTF-8'), 0, 190, 'UTF-8');
    }
}
