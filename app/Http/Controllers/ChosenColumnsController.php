<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Business;
use App\Models\ChosenColumns;
use App\Models\RecordType;
use App\Models\Staff;
use App\Pages\PeopleColumns;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Arr;

/** The columns of a list, remembered for whoever chose them. */
final class ChosenColumnsController
{
    public function people(Request $request): RedirectResponse
    {
        $type = RecordType::people();
        $staff = Staff::asking($request);
        $this->keep($request, $type, array_keys((new PeopleColumns($type, $staff, Business::current()))->there));

        return redirect()->route('people.index');
    }

    public function records(Request $request, RecordType $type): RedirectResponse
    {
        $this->keep($request, $type, $type->load('fields')->fields->pluck('key')->all());

        return redirect()->route('records.index', [$type, ...Arr::except($request->query->all(), 'cols')]);
    }

    /** @param  array<array-key, mixed>  $there  the columns there are */
    private function keep(Request $request, RecordType $type, array $there): void
    {
        $said = $request->validate(
            ['cols' => 'required|array|max:100', 'cols.*' => 'string|max:100'], ['cols.required' => 'Leave at least one column.'],
        );
        ChosenColumns::query()->updateOrCreate(
            ['staff_id' => Staff::asking($request)->id, 'record_type_id' => $type->id],
            ['fields' => array_values(array_intersect($there, $said['cols']))],
        );
    }
}
