<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Intake\ChangeOrigin;
use App\Intake\RecordWriter;
use App\Models\Business;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Staff;
use App\Pages\Records\RecordPage;
use App\Records\RecordForm;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\View;
use Illuminate\Support\MessageBag;
use Illuminate\Support\ViewErrorBag;
use Illuminate\Validation\ValidationException;

/** A record changed where it stands in its list: what the list shows of it. */
final class RecordRowController
{
    public function show(Request $request, RecordType $type, Record $record): Response
    {
        return $this->row($request, $type, $record, new MessageBag);
    }

    public function update(Request $request, RecordType $type, Record $record, RecordWriter $writer): Response
    {
        try {
            RecordForm::change(
                $record, $type->load('fields'), (array) $request->input('fields', []), $writer,
                ChangeOrigin::staff(Staff::asking($request)),
            );
        } catch (ValidationException $e) {
            return $this->row($request, $type, $record, $e->validator->errors());
        }
        $request->session()->flash('done', 'The change is kept.');

        return new Response('', 200, ['HX-Refresh' => 'true']);
    }

    private function row(Request $request, RecordType $type, Record $record, MessageBag $wrong): Response
    {
        $cols = $request->validate(['cols' => 'required|array|max:100', 'cols.*' => 'string|max:100'])['cols'];
        $business = Business::current();
        // The controls know them from what is shared with every view.
        View::share('errors', (new ViewErrorBag)->put('default', $wrong));

        return new Response(view('records.row', [
            'type' => $type->load('fields'), 'record' => $record, 'business' => $business, 'cols' => $cols,
            'fields' => $type->fields->whereIn('key', $cols), 'page' => new RecordPage($record, $type, $business),
            'typed' => array_filter((array) $request->input('fields', []), is_string(...)),
        ]));
    }
}
