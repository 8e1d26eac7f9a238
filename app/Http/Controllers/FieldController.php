<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Field;
use App\Models\Record;
use App\Models\RecordType;
use App\Records\FieldColumn;
use App\Records\Noun;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Record\FieldKind;
use Psr\Clock\ClockInterface;

/** A record type's fields. A field's key never changes, so renaming breaks nothing; one that is removed can be brought back. */
final class FieldController
{
    public function store(Request $request, RecordType $type): RedirectResponse
    {
        $said = $request->validate(
            [
                'name' => 'required|string|max:60', 'kind' => ['required', Rule::enum(FieldKind::class)],
                'options' => 'nullable|string|max:4000',
                'of' => ['required_if:kind,record', 'nullable', 'string', Rule::exists('record_types', 'key')], 'at_place' => 'boolean',
            ],
            ['name.required' => 'Give the field a name.', 'of.required_if' => 'Say which kind of record it leads to.'],
        );
        $kind = FieldKind::from($said['kind']);
        $options = $kind === FieldKind::Choice ? self::options((string) ($said['options'] ?? '')) : null;
        $wanted = Str::slug($said['name'], '_');
        $wanted = preg_match('/^[a-z]/', $wanted) === 1 ? mb_substr($wanted, 0, 40) : 'field_'.mb_substr($wanted, 0, 34);
        $taken = [
            ...Field::query()->where('record_type_id', $type->id)->pluck('key')->all(),
            ...$type->isPeople()
                ? ['first_name', 'last_name', 'email', 'number', 'zone', 'locale', 'external_id', 'person', 'line', 'business']
                : [],
        ];
        for ($key = $wanted, $i = 2; in_array($key, $taken, true); $i++) {
            $key = "{$wanted}_$i";
        }
        DB::transaction(function () use ($type, $said, $kind, $options, $key): void {
            $field = Field::query()->create([
                'record_type_id' => $type->id, 'key' => $key, 'name' => $said['name'], 'kind' => $kind, 'options' => $options,
                'at_place' => (bool) ($said['at_place'] ?? false), 'of' => $kind === FieldKind::Record ? $said['of'] : null,
                'position' => 1 + (int) Field::query()->where('record_type_id', $type->id)->max('position'),
            ]);
            if (! $type->isPeople()) {
                FieldColumn::index($field);
            }
        });

        return redirect()->route('record-types.show', $type)->with('done', 'The field is there.');
    }

    public function update(Request $request, RecordType $type, Field $field): RedirectResponse
    {
        $said = $request->validate([
            'name' => 'required|string|max:60', 'noun' => 'nullable|string|max:60', 'options' => 'nullable|string|max:4000',
            'at_place' => 'boolean',
        ]);
        $changed = [
            'name' => $said['name'],
            'noun' => Noun::of($said['noun'] ?? null, "noun-$field->id"),
            'at_place' => (bool) ($said['at_place'] ?? false),
        ];
        if ($field->kind === FieldKind::Choice) {
            $options = self::options((string) ($said['options'] ?? ''));
            foreach (array_diff($field->options ?? [], $options) as $gone) {
                if (
                    Record::query()
                        ->whereRaw(FieldColumn::ofType($type->id))
                        ->whereRaw(FieldColumn::sql($field).' = ?', [$gone])
                        ->exists()
                ) {
                    throw ValidationException::withMessages([
                        "options-$field->id" => "There are {$type->plural} whose {$field->name} is “{$gone}”. Change them first, then take the choice out.",
                    ]);
                }
            }
            $changed['options'] = $options;
        }
        $this->of($type, $field)->update($changed);

        return redirect()->route('record-types.show', $type)->with('done', 'Kept. Rules and sources go on as before.');
    }

    public function move(Request $request, RecordType $type, Field $field): RedirectResponse
    {
        $up = $request->validate(['to' => 'required|in:up,down'])['to'] === 'up';
        $fields = array_values($type->load('fields')->fields->all());
        $at = array_search($this->of($type, $field)->id, array_column($fields, 'id'), true);
        $other = is_int($at) ? $fields[$at + ($up ? -1 : 1)] ?? null : null;
        if ($other !== null) {
            [$fields[$at], $fields[$at + ($up ? -1 : 1)]] = [$other, $fields[$at]];
            array_map(fn (Field $one, int $i) => $one->update(['position' => $i + 1]), $fields, array_keys($fields));
        }

        return redirect()->route('record-types.show', $type);
    }

    /** The values stay with the records. */
    public function destroy(RecordType $type, Field $field, ClockInterface $clock): RedirectResponse
    {
        $this->of($type, $field)->update(['removed_at' => $clock->now()]);
        foreach (['person_field', 'title_field', 'start_field', 'end_field', 'stage_field'] as $part) {
            if ($type->getAttribute($part) === $field->key) {
                $type->setAttribute($part, null);
            }
        }
        $type->save();

        return redirect()
            ->route('record-types.show', $type)
            ->with('done', "“{$field->name}” is taken out. Its values are kept, and it can be brought back.");
    }

    public function bringBack(RecordType $type, Field $field): RedirectResponse
    {
        $this->of($type, $field)->update(['removed_at' => null]);

        return redirect()->route('record-types.show', $type)->with('done', "“{$field->name}” is back.");
    }

    private function of(RecordType $type, Field $field): Field
    {
        return $field->record_type_id === $type->id ? $field : abort(404);
    }

    /**
     * @return non-empty-list<string>
     *
     * @throws ValidationException
     */
    private static function options(string $written): array
    {
        $options = array_values(
            array_unique(
                array_filter(array_map(trim(...), explode("\n", str_replace("\r", '', $written))), fn (string $line): bool => $line !== ''),
            ),
        );

        return $options === [] || count($options) > 100 || max(array_map(mb_strlen(...), $options)) > 60
            ? throw ValidationException::withMessages([
                'options' => 'Write the choices in their order, one on each line: up to a hundred, of up to 60 characters.',
            ])
            : $options;
    }
}
