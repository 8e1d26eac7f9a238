<?php

declare(strict_types=1);

namespace App\Bulk;

use App\Intake\ChangeOrigin;
use App\Intake\RecordWriter;
use App\Models\Field;
use App\Models\Person;
use Linnet\Core\Intake\PersonInput;
use Linnet\Core\Record\Change\PersonChanged;

/** A field of theirs, set to a value or emptied. */
final readonly class BulkField implements BulkChange
{
    /** @param  string  $says  the value as a reader would say it */
    public function __construct(
        private RecordWriter $writer,
        private Field $field,
        private string|int|float|bool|null $value,
        private string $says,
    ) {
    }

    public function question(): string
    {
        $called = mb_strtolower($this->field->name, 'UTF-8');

        return $this->value === null ? "Empty their $called?" : "Set their $called to “{$this->says}”?";
    }

    public function alreadySo(array $people): int
    {
        return Person::query()->whereKey($people)->get(['id', 'fields'])->filter($this->isSo(...))->count();
    }

    public function change(): PersonChanged
    {
        return new PersonChanged([], [$this->field->key => $this->value]);
    }

    public function do(Person $person, ChangeOrigin $origin, \DateTimeImmutable $now): bool
    {
        return ! $this->isSo($person) &&
            $this->writer->editPerson($person, new PersonInput(fields: [$this->field->key => $this->value]), $origin)->to !== [];
    }

    private function isSo(Person $person): bool
    {
        return ($person->fields[$this->field->key] ?? null) === $this->value;
    }
}
