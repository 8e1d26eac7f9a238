<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Field;
use App\Models\RecordType;
use App\Records\Noun;
use App\Records\Uses;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Record\FieldKind;

/** A kind of record: what it is called, its fields, and the parts some of them play. */
final class RecordTypeController
{
    /** The parts, with the kinds of field that can play each. */
    private const PARTS = [
        'person_field' => ['leads to the person', [FieldKind::Person, FieldKind::Phone, FieldKind::Email]],
        'title_field' => ['is its title', [FieldKind::Text, FieldKind::Number, FieldKind::Choice]],
        'start_field' => ['is when it begins', [FieldKind::Date, FieldKind::DateTime]],
        'end_field' => ['is when it ends', [FieldKind::Date, FieldKind::DateTime]],
        'stage_field' => ['is its stage', [FieldKind::Choice]],
    ];

    public function store(Request $request): RedirectResponse
    {
        $said = $request->validate(
            ['name' => 'required|string|max:40', 'plural' => 'required|string|max:40'],
            ['name.required' => 'Say what one of them is called.', 'plural.required' => 'Say what several are called.'],
        );
        $key = Str::slug($said['name'], '_');
        if (
            preg_match('/^[a-z][a-z0-9_]{0,39}$/', $key) !== 1 ||
            in_array($key, ['line', 'business', 'owner', 'person'], true) ||
            RecordType::query()->where('key', $key)->exists()
        ) {
            throw ValidationException::withMessages([
                'name' => 'There is something of that name already. Choose another that begins with a letter.',
            ]);
        }
        $type = RecordType::query()->create(['key' => $key, 'name' => $said['name'], 'plural' => $said['plural']]);

        return redirect()->route('record-types.show', $type)->with('done', 'Now give it fields.');
    }

    public function show(RecordType $type): View
    {
        $type->load('fields');
        $uses = Uses::ofFields($type);
        $parts = [];
        foreach (self::PARTS as $part => [$says, $kinds]) {
            $parts[$part] = [
                'says' => $says,
                'fields' => $type->fields->filter(fn (Field $field): bool => in_array($field->kind, $kinds, true)),
            ];
        }

        return view('settings.record-type', [
            'type' => $type, 'parts' => $type->isPeople() ? [] : $parts, 'kinds' => FieldKind::cases(),
            'removed' => Field::query()->where('record_type_id', $type->id)->whereNotNull('removed_at')->orderBy('name')->get(),
            'types' => RecordController::all(),
            'uses' => $type->fields
                ->mapWithKeys(
                    fn (Field $field): array => [
                        $field->id => ['rules' => $uses->rules($field), 'sources' => $uses->sources($field)],
                    ],
                )
                ->all(),
        ]);
    }

    public function update(Request $request, RecordType $type): RedirectResponse
    {
        $said = $request->validate(
            ['name' => 'required|string|max:40', 'plural' => 'required|string|max:40', 'person_noun' => 'nullable|string|max:40'] +
                array_fill_keys(array_keys(self::PARTS), 'nullable|string|max:60'),
        );
        $changed = [
            'name' => $said['name'],
            'plural' => $said['plural'],
            'person_noun' => Noun::of($said['person_noun'] ?? null, 'person_noun'),
        ];
        foreach ($type->isPeople() ? [] : self::PARTS as $part => [$says, $kinds]) {
            $field = $type->load('fields')->field($said[$part] ?? null);
            if ($field !== null && ! in_array($field->kind, $kinds, true)) {
                throw ValidationException::withMessages([$part => 'A field of another kind is needed for that.']);
            }
            $changed[$part] = $field?->key;
        }
        $type->update($changed);

        return redirect()->route('record-types.show', $type)->with('done', 'Kept.');
    }
}
