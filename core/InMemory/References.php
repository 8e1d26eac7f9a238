<?php

declare(strict_types=1);

namespace Linnet\Core\InMemory;

use Linnet\Core\Reason;
use Linnet\Core\Record\Field;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Record\Staff;

/** What fields refer to in words: "#12" is Linnet's own number for it; anything else is a name it goes by. */
final readonly class References
{
    public function __construct(private Sheet $sheet)
    {
    }

    /**
     * @param  array<string, scalar|null>  $values  as they are written
     * @return array<string, scalar|null>|Reason as their fields keep them; why not, where nobody and nothing goes by a name
     */
    public function resolve(RecordType $type, array $values): array|Reason
    {
        foreach ($values as $key => $value) {
            $field = $type->fields[$key] ?? null;
            if ($field === null) {
                return new Reason('intake.field_gone', ['field' => $key]);
            }
            if (is_string($value) && $field->kind->isReference()) {
                $id = $this->find($field, $value);
                if ($id === null) {
                    return new Reason("intake.unknown_{$field->kind->value}", ['path' => $field->name, 'written' => $value]);
                }
                $values[$key] = $id;
            }
        }

        return $values;
    }

    private function find(Field $field, string $said): ?int
    {
        $id = preg_match('/^#(\d{1,15})$/', $said, $own) === 1 ? (int) $own[1] : null;

        return match ($field->kind) {
            FieldKind::Staff => $this->staff($said),
            FieldKind::Person => $id === null ? $this->person($said) : $this->known($this->sheet->people, $field, $id),
            default => $id === null
                ? $this->sheet->recordIds["$field->of/$said"] ?? null
                : $this->known($this->sheet->records, $field, $id),
        };
    }

    private function staff(string $said): ?int
    {
        foreach ($this->sheet->configuration->staff as $staff) {
            if (in_array(mb_strtolower($said, 'UTF-8'), Staff::names($staff->id, $staff->name, $staff->email), true)) {
                return $staff->id;
            }
        }

        return null;
    }

    private function person(string $said): ?int
    {
        foreach ($this->sheet->people as $person) {
            foreach ($person->numbers as $number) {
                if ($number->e164 === $said) {
                    return $person->id;
                }
            }
            $email = $person->own['email'] ?? null;
            if (is_string($email) && mb_strtolower($email, 'UTF-8') === mb_strtolower($said, 'UTF-8')) {
                return $person->id;
            }
        }

        return null;
    }

    /**
     * One that is on the sheet, or that is known by its name alone.
     *
     * @param  array<int, object>  $there
     */
    private function known(array $there, Field $field, int $id): ?int
    {
        return isset($there[$id]) || isset($this->sheet->names["{$field->kind->value}:$id"]) ? $id : null;
    }
}
