<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Intake\ChangeOrigin;
use App\Intake\RecordWriter;
use App\Models\Business;
use App\Models\Field;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Staff;
use App\Pages\Records\BoardPage;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Linnet\Core\Record\FieldKind;

/** Records as cards by a choice field; a card that is moved is a change like any other. */
final class BoardController
{
    public function show(Request $request, RecordType $type): View|RedirectResponse
    {
        $by = $this->by($request, $type);

        return $by === null
            ? redirect()->route('records.index', $type)->with('done', 'A board needs a choice field, such as a stage. Add one in Settings.')
            : view('records.board', $this->about($type, $by));
    }

    public function move(Request $request, RecordType $type, Record $record, RecordWriter $writer): Response|RedirectResponse
    {
        $by = $this->by($request, $type) ?? abort(404);
        $to = $request->validate(['to' => ['required', Rule::in($by->options ?? [])]])['to'];
        DB::transaction(fn () => $writer->edit(
            Record::query()->lockForUpdate()->findOrFail($record->id), [$by->key => $to], ChangeOrigin::staff(Staff::asking($request)),
        ));

        return $request->header('HX-Request') === 'true'
            ? new Response(view('records.board', $this->about($type, $by))->fragment('board'))
            : redirect()->route('records.board', [$type, 'by' => $by->key]);
    }

    private function by(Request $request, RecordType $type): ?Field
    {
        $asked = $request->query('by');
        $choices = $type->load('fields')->fields->where('kind', FieldKind::Choice);

        return $choices->firstWhere('key', is_string($asked) ? $asked : $type->stage_field) ?? $choices->first();
    }

    /** @return array<string, mixed> */
    private function about(RecordType $type, Field $by): array
    {
        return [
            'type' => $type, 'board' => new BoardPage($type, $by, Business::current()), 'types' => RecordController::all(),
            'choices' => $type->fields->where('kind', FieldKind::Choice),
        ];
    }
}
