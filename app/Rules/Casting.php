<?php

declare(strict_types=1);

namespace App\Rules;

use App\Models\Field;
use App\Models\Line;
use App\Models\RecordType;
use App\Records\FieldColumn;
use Illuminate\Support\Collection;
use Linnet\Core\Record\Field as CoreField;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\RecordType as CoreType;
use Linnet\Core\Starter\Cast;
use Linnet\Core\Starter\Starter;

/** Which of our own types, fields, choices and lines play the parts of a starter: as somebody chose, else by the roles a type declares. */
final readonly class Casting
{
    /** What is not there yet, and is to be made. */
    public const NEW = '+';

    /** @var Collection<string, RecordType> by key */
    private Collection $ours;

    /** @param  array<string, mixed>  $chosen  "types" by key, "fields" by path, "choices" by path and choice, "line" */
    public function __construct(public Starter $starter, private array $chosen = [])
    {
        $this->ours = RecordType::query()->with('fields')->orderBy('id')->get()->keyBy('key');
    }

    /** @return array<string, string> names of our types by key */
    public function types(): array
    {
        return $this->ours
            ->reject(fn (RecordType $type): bool => $type->isPeople())
            ->map(fn (RecordType $type): string => $type->name)
            ->all();
    }

    /** The key of our type that plays one of theirs; {@see NEW} where none does. */
    public function type(CoreType $part): string
    {
        $chosen = $this->chosen('types', $part->key);
        if ($part->key === CoreType::PERSON || $chosen === self::NEW || isset($this->ours[$chosen])) {
            return $part->key === CoreType::PERSON ? CoreType::PERSON : $chosen;
        }
        foreach ($this->ours as $type) {
            if (
                ! $type->isPeople() &&
                in_array(
                    mb_strtolower($part->name, 'UTF-8'),
                    [mb_strtolower($type->name, 'UTF-8'), str_replace('_', ' ', $type->key)],
                    true,
                )
            ) {
                return $type->key;
            }
        }

        return self::NEW;
    }

    /** @return array<string, string> names of our fields that can play one of theirs, by key */
    public function fields(CoreType $part, CoreField $field): array
    {
        $type = $this->ours[$this->type($part)] ?? null;

        return $type === null
            ? []
            : $type->fields
                ->filter(fn (Field $one): bool => self::fits($one->kind, $field->kind))
                ->mapWithKeys(fn (Field $one): array => [$one->key => $one->name])
                ->all();
    }

    /** The key of our field that plays one of theirs. */
    public function field(CoreType $part, CoreField $field): string
    {
        $path = "$part->key.$field->key";
        $can = $this->fields($part, $field);
        $chosen = $this->chosen('fields', $path);
        if ($chosen === self::NEW || isset($can[$chosen])) {
            return $chosen;
        }
        $type = $this->ours[$this->type($part)] ?? null;
        $role = $this->starter->roles[$path] ?? '';
        $byRole = match (true) {
            $type === null => null,
            $role === 'owner' => $type->read()->ownerField(),
            $role !== '' => $type->getAttribute("{$role}_field"),
            default => null,
        };
        $same = fn (string $name, int|string $key): bool => mb_strtolower($name, 'UTF-8') === mb_strtolower($field->name, 'UTF-8') ||
            $key === $field->key;

        return match (true) {
            is_string($byRole) && isset($can[$byRole]) => $byRole,
            default => (string) (array_key_first(array_filter($can, $same, ARRAY_FILTER_USE_BOTH)) ?? array_key_first($can) ?? self::NEW),
        };
    }

    /** @return list<string> the choices of our field; those of theirs where it is to be made */
    public function options(CoreType $part, CoreField $field): array
    {
        $ours = $this->ours[$this->type($part)] ?? null;

        return $ours?->field($this->field($part, $field))->options ?? $field->options;
    }

    public function choice(CoreType $part, CoreField $field, string $choice): string
    {
        $options = $this->options($part, $field);
        $chosen = $this->chosen('choices', "$part->key.$field->key", $choice);
        $same = array_values(
            array_filter($options, fn (string $one): bool => mb_strtolower($one, 'UTF-8') === mb_strtolower($choice, 'UTF-8')),
        );
        $place = array_search($choice, $field->options, true);

        return in_array($chosen, $options, true)
            ? $chosen
            : $same[0] ?? ($options[is_int($place) ? min($place, count($options) - 1) : 0] ?? $choice);
    }

    /** @return array<string, string> names by key */
    public function lines(): array
    {
        return once(fn (): array => Line::query()->orderBy('id')->pluck('name', 'key')->all());
    }

    public function line(): string
    {
        $lines = $this->lines();
        $chosen = $this->chosen('line');

        return isset($lines[$chosen])
            ? $chosen
            : (string) (once(fn (): mixed => Line::query()->whereNotNull('number')->orderBy('id')->value('key')) ??
                (array_key_first($lines) ?? ''));
    }

    /** The cast as it is; what is to be made is made. */
    public function cast(): Cast
    {
        $types = $fields = $choices = [];
        foreach ($this->starter->parts() as $part) {
            $type = $this->typeFor($part);
            $types[$part->key] = $type->key;
            foreach ($part->fields as $field) {
                $path = "$part->key.$field->key";
                $chosen = $this->field($part, $field);
                foreach ($field->options as $choice) {
                    $choices[$path][$choice] = $this->choice($part, $field, $choice);
                }
                $fields[$path] = $chosen === self::NEW ? self::makeField($type, $field)->key : $chosen;
            }
        }

        return new Cast($types, $fields, $choices, $this->line());
    }

    private function typeFor(CoreType $part): RecordType
    {
        $chosen = $this->type($part);
        if (isset($this->ours[$chosen])) {
            return $this->ours[$chosen];
        }
        for ($key = $part->key, $n = 2; isset($this->ours[$key]); $key = "{$part->key}_$n", $n++);
        $roles = [];
        foreach ($part->fields as $field) {
            $role = $this->starter->roles["$part->key.$field->key"] ?? '';
            $roles += in_array($role, ['title', 'person', 'start', 'end', 'stage'], true) ? ["{$role}_field" => $field->key] : [];
        }

        return RecordType::query()->create(
            [
                'key' => $key, 'name' => $part->name, 'plural' => ucfirst($part->plural ?? "{$part->name}s"),
                'person_noun' => $part->personNoun,
            ] + $roles,
        );
    }

    private static function makeField(RecordType $type, CoreField $field): Field
    {
        $taken = Field::query()->where('record_type_id', $type->id)->pluck('key')->all();
        for ($key = $field->key, $n = 2; in_array($key, $taken, true); $key = "{$field->key}_$n", $n++);
        $made = Field::query()->create([
            'record_type_id' => $type->id, 'key' => $key, 'name' => $field->name, 'kind' => $field->kind,
            'options' => $field->kind === FieldKind::Choice ? $field->options : null, 'at_place' => false,
            'position' => 1 + (int) Field::query()->where('record_type_id', $type->id)->max('position'),
        ]);
        if (! $type->isPeople()) {
            FieldColumn::index($made);
        }

        return $made;
    }

    private static function fits(FieldKind $ours, FieldKind $theirs): bool
    {
        return $ours === $theirs || match ($theirs) {
            FieldKind::Text => in_array($ours, [FieldKind::LongText, FieldKind::Choice, FieldKind::Number], true),
            FieldKind::DateTime => $ours === FieldKind::Date, FieldKind::Date => $ours === FieldKind::DateTime,
            FieldKind::Money => $ours === FieldKind::Number, FieldKind::Number => $ours === FieldKind::Money,
            FieldKind::Link => $ours === FieldKind::Text,
            default => false,
        };
    }

    private function chosen(string ...$keys): string
    {
        $value = $this->chosen;
        foreach ($keys as $key) {
            $value = is_array($value) ? $value[$key] ?? null : null;
        }

        return is_string($value) ? $value : '';
    }
}
