<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\ChosenColumns;
use App\Models\RecordType;
use App\Models\Staff;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Arr;

/** The columns of a list, remembered for whoever chose them. */
final class ChosenColumnsController
{
    public function __invoke(Request $request, RecordType $type): RedirectResponse
    {
        $said = $request->validate(
            ['cols' => 'required|array|max:100', 'cols.*' => 'string|max:100'], ['cols.required' => 'Leave at least one column.'],
        );
        ChosenColumns::query()->updateOrCreate(
            ['staff_id' => Staff::asking($request)->id, 'record_type_id' => $type->id],
            ['fields' => array_values(array_intersect($type->load('fields')->fields->pluck('key')->all(), $said['cols']))],
        );

        return redirect()->route('records.index', [$type, ...Arr::except($request->query->all(), 'cols')]);
    }
}
