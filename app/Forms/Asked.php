<?php

declare(strict_types=1);

namespace App\Forms;

use App\Models\Field;
use App\Models\Form;
use App\Models\RecordType;
use Linnet\Core\Record\FieldKind;

/** One thing a form asks for besides name and number. */
final readonly class Asked
{
    /** Fields that everybody has, by what strangers are asked for. */
    private const OWN = ['last_name' => ['Your last name', FieldKind::Text], 'email' => ['Your email', FieldKind::Email]];

    /**
     * @param  string  $path  "person.email", "booking.places"
     * @param  bool  $isOwn  last name or email, which are no fields of the business's own
     * @param  list<string>  $options
     */
    private function __construct(
        public string $path,
        public string $label,
        public FieldKind $kind,
        public bool $isRequired,
        public bool $isOwn,
        public array $options,
    ) {
    }

    public function key(): string
    {
        return substr($this->path, strpos($this->path, '.') + 1);
    }

    public function isOfPerson(): bool
    {
        return str_starts_with($this->path, 'person.');
    }

    /** What it is called in the form that is sent. */
    public function input(): string
    {
        return str_replace('.', '_', $this->path);
    }

    /** As a browser shows it. */
    public function control(): string
    {
        return match ($this->kind) {
            FieldKind::LongText => 'textarea', FieldKind::Choice => 'select', FieldKind::YesNo => 'checkbox', FieldKind::Date => 'date',
            FieldKind::DateTime => 'datetime-local', FieldKind::Email => 'email', FieldKind::Phone => 'tel', FieldKind::Link => 'url',
            default => 'text',
        };
    }

    /**
     * What a form asks for, in its order, as far as it is still there.
     *
     * @return list<self>
     */
    public static function of(Form $form): array
    {
        $offered = self::offered($form->adds === null ? null : RecordType::query()->with('fields')->where('key', $form->adds)->first());
        $asked = [];
        foreach ($form->asks ?? [] as $one) {
            $there = $offered[$one['path']] ?? null;
            if ($there !== null) {
                $asked[] = new self($there->path, $there->label, $there->kind, $one['required'], $there->isOwn, $there->options);
            }
        }

        return $asked;
    }

    /** @return array<string, self> what may be asked for, by path: nothing that leads to somebody or something else */
    public static function offered(?RecordType $type): array
    {
        $offered = [];
        foreach (self::OWN as $key => [$label, $kind]) {
            $offered["person.$key"] = new self("person.$key", $label, $kind, false, true, []);
        }
        foreach ([RecordType::people(), $type] as $of) {
            foreach ($of->fields ?? [] as $field) {
                if (! $field->kind->isReference() && $field->kind !== FieldKind::Line && $field->key !== $of?->person_field) {
                    $offered["$of?->key.$field->key"] = self::field((string) $of?->key, $field);
                }
            }
        }

        return $offered;
    }

    private static function field(string $type, Field $field): self
    {
        return new self("$type.$field->key", $field->name, $field->kind, false, false, $field->options ?? []);
    }
}
