<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Api\Pages;
use App\Api\RequestParser;
use App\Api\Shapes;
use App\Intake\IntakeResult;
use App\Intake\RecordWriter;
use App\Models\Record;
use App\Models\RecordType;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Linnet\Core\Intake\Cleaned;
use Linnet\Core\Intake\KnownPeople;
use Linnet\Core\Record\RecordType as CoreType;

final class RecordController
{
    public function index(Request $request): JsonResponse
    {
        $said = $request->validate(['type' => 'string|max:60', 'person_id' => 'integer', 'external_id' => 'string|max:190']);
        $query = Record::query()->with('type');
        if (isset($said['type'])) {
            $query->where('record_type_id', RecordType::query()->where('key', $said['type'])->value('id'));
        }
        foreach (['person_id', 'external_id'] as $column) {
            if (isset($said[$column])) {
                $query->where($column, $said[$column]);
            }
        }

        return Pages::of($request, $query, Shapes::record(...));
    }

    public function show(Record $record): JsonResponse
    {
        return new JsonResponse(Shapes::record($record->load('type')));
    }

    /** Adds a record; one that is known by its external id is changed. */
    public function store(Request $request, RecordWriter $writer): JsonResponse
    {
        $said = $request->validate([
            'type' => ['required', 'string', Rule::exists('record_types', 'key')->whereNot('key', CoreType::PERSON)],
            'external_id' => 'nullable|string|max:190', 'version' => 'nullable|numeric', 'fields' => 'required|array',
            'person' => 'nullable|array',
        ]);
        $type = RecordType::query()->where('key', $said['type'])->with('fields')->firstOrFail();
        $one = new Cleaned(
            $type->key, $said['external_id'] ?? null, RequestParser::person($said['person'] ?? [], 'person.'),
            RequestParser::fields($type, $said['fields']), KnownPeople::Fill, isset($said['version']) ? (float) $said['version'] : null,
        );
        $written = RequestParser::mended(fn () => DB::transaction(fn () => $writer->upsert($one, RequestParser::origin($request))));

        return new JsonResponse(
            Shapes::record(Record::query()->with('type')->whereKey($written->recordId)->firstOrFail()) + [
                'outcome' => $written->outcome->value,
            ],
            $written->outcome === IntakeResult::Added ? 201 : 200,
        );
    }

    public function update(Request $request, Record $record, RecordWriter $writer): JsonResponse
    {
        $said = $request->validate(['fields' => 'required|array']);
        $fields = RequestParser::fields($record->type->load('fields'), $said['fields']);
        RequestParser::mended(
            fn () => DB::transaction(
                fn () => $writer->edit(Record::query()->lockForUpdate()->findOrFail($record->id), $fields, RequestParser::origin($request)),
            ),
        );

        return $this->show($record->refresh());
    }
}
