<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Exports\CsvExport;
use App\Http\MappingAnswer;
use App\Intake\Imports;
use App\Intake\TakeBack;
use App\Models\Import;
use App\Models\ImportState;
use App\Models\RecordType;
use App\Models\RefusedRow;
use App\Models\Staff;
use App\Pages\Mapping\ImportPreview;
use App\Pages\Mapping\MappingPage;
use App\Sentences\Sentence;
use App\Tables\TableReader;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\Rule;
use Linnet\Core\Intake\Mapping;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Files that are taken in: sent, mapped, looked at, taken in, taken back. */
final class ImportController
{
    public function index(Request $request): View|StreamedResponse
    {
        $asked = $request->validate(['state' => 'nullable|string|max:20', 'order' => 'nullable|in:newest,oldest']) + [
            'state' => '',
            'order' => 'newest',
        ];
        $query = Import::query()->whereNull('source_id')->with('staff');
        $state = ImportState::tryFrom((string) $asked['state']);
        if ($state !== null) {
            $query->where('state', $state);
        }
        $asked['order'] === 'oldest' ? $query->orderBy('id') : $query->orderByDesc('id');

        if ($request->query('as') === 'csv') {
            return CsvExport::of(
                'files',
                ['File', 'When', 'By', 'What became of it', 'Rows', 'Added', 'Changed', 'Nothing new', 'Left out', 'Refused'],
                (function () use ($query): \Generator {
                    foreach ($query->lazy(200) as $one) {
                        yield [
                            $one->name, $one->at->format(DATE_ATOM), $one->staff?->name, $one->state->word(), $one->rows, $one->added,
                            $one->changed, $one->same, $one->left_out, $one->refused,
                        ];
                    }
                })(),
            );
        }

        return view('imports.index', [
            'imports' => $query->simplePaginate(30)->withQueryString(), 'asked' => $asked, 'states' => ImportState::cases(),
            'types' => RecordType::query()->orderBy('name')->get(['key', 'name', 'plural']),
        ]);
    }

    public function store(Request $request, Imports $imports): RedirectResponse
    {
        $said = $request->validate(
            [
                'file' => 'required|file|max:51200',
                'type' => ['required', 'string', Rule::exists('record_types', 'key')],
                'like' => 'nullable|integer|exists:imports,id',
            ],
            [
                'file.required' => 'Choose a file first.',
                'file.max' => 'The file is larger than 50 MB. Send it in parts.',
                'file.uploaded' => 'The file did not arrive whole. It may be larger than this server takes.',
            ],
        );
        $file = $request->file('file');
        $like = isset($said['like']) ? Import::query()->find((int) $said['like']) : null;

        return redirect()->route(
            'imports.show',
            $imports->receive(
                $file instanceof UploadedFile ? $file->getPathname() : abort(422), $file->getClientOriginalName(), Staff::asking($request),
                $said['type'], $like,
            ),
        );
    }

    public function show(Request $request, Import $import, TakeBack $takeBack): View|Response
    {
        $isAsking = $request->header('HX-Target') === 'progress';
        if ($isAsking && ! $import->state->isUnderWay()) {
            // It is over: the page is loaded whole, with the refused rows, or with the columns to map.
            return (new Response)->withHeaders(['HX-Refresh' => 'true']);
        }
        if ($import->state === ImportState::ToMap && $import->mapping !== null && $import->source_id === null) {
            return view('imports.mapping', $this->about($import, null, []));
        }
        $asked = $request->validate(['order' => 'nullable|in:first,last']) + ['order' => 'first'];

        $view = view('imports.show', [
            'import' => $import->load('staff', 'source'),
            'asked' => $asked,
            'refused' => RefusedRow::query()
                ->where('import_id', $import->id)
                ->orderBy('id', $asked['order'] === 'last' ? 'desc' : 'asc')
                ->simplePaginate(25)
                ->withQueryString(),
            'obstacle' => $import->state === ImportState::Done || $import->state === ImportState::Stopped
                ? $takeBack->obstacle($import)
                : null,
            'type' => RecordType::query()
                ->where('key', $import->mapping['type'] ?? '')
                ->first(),
        ]);

        return $isAsking ? new Response($view->fragment('progress')) : $view;
    }

    public function update(Request $request, Import $import): Response|RedirectResponse
    {
        abort_unless($import->state === ImportState::ToMap && $import->source_id === null, 409);
        $mapping = $import->readMapping() ?? abort(409);

        return MappingAnswer::to(
            $request, $mapping, TableReader::head($import, 1)[0] ?? null,
            fn (Mapping $edited) => $import->update(['mapping' => $edited->toDocument()]),
            fn (?string $changed, array $wrong): View => view('imports.mapping', $this->about($import->refresh(), $changed, $wrong)),
            route('imports.show', $import),
        );
    }

    public function start(Request $request, Import $import, Imports $imports): RedirectResponse
    {
        abort_unless($import->state === ImportState::ToMap && $import->source_id === null, 409);
        if (($import->readMapping()->taken ?? []) === []) {
            return redirect()->route('imports.show', $import)->with('done', 'No column is put anywhere yet, so nothing would be taken in.');
        }
        $imports->start($import, ! $request->boolean('rules_act'));

        return redirect()->route('imports.show', $import);
    }

    public function stop(Import $import): RedirectResponse
    {
        Import::query()->whereKey($import->id)->where('state', ImportState::Running)->update(['state' => ImportState::Stopped]);

        return redirect()->route('imports.show', $import)->with('done', 'It is stopped. What is taken in stays until you take it back.');
    }

    public function goOn(Import $import): RedirectResponse
    {
        Import::query()->whereKey($import->id)->where('state', ImportState::Stopped)->update(['state' => ImportState::Running]);

        return redirect()->route('imports.show', $import);
    }

    public function takeBack(Request $request, Import $import, TakeBack $takeBack): RedirectResponse
    {
        $obstacle = in_array($import->state, [ImportState::Done, ImportState::Stopped], true) ? $takeBack->obstacle($import) : abort(409);
        if ($obstacle !== null) {
            return redirect()->route('imports.show', $import)->with('done', Sentence::of($obstacle));
        }
        $takeBack->begin($import, Staff::asking($request));

        return redirect()
            ->route('imports.show', $import)
            ->with('done', 'The file is being taken back: everything becomes as it was before.');
    }

    public function destroy(Import $import): RedirectResponse
    {
        abort_unless(
            in_array($import->state, [ImportState::Reading, ImportState::ToMap, ImportState::Failed], true) && $import->source_id === null,
            409,
        );
        @unlink($import->table());
        @unlink($import->raw());
        $import->delete();

        return redirect()->route('imports.index')->with('done', 'The file is put away.');
    }

    /** The rows that were refused, as they came, with the reason beside each: mended, they can be sent in again. */
    public function refused(Import $import): StreamedResponse
    {
        return CsvExport::of(
            "refused rows of $import->name",
            ['Why not', ...$import->columns ?? []],
            (function () use ($import): \Generator {
                foreach (RefusedRow::query()->where('import_id', $import->id)->lazyById(500) as $row) {
                    yield [Sentence::of($row->reason), ...$row->cells];
                }
            })(),
        );
    }

    /**
     * @param  array<string, string>  $wrong
     * @return array<string, mixed>
     */
    private function about(Import $import, ?string $changed, array $wrong): array
    {
        $mapping = $import->readMapping() ?? throw new \LogicException('not mapped');
        $rows = TableReader::head($import, 8);

        $page = new MappingPage($mapping, $rows[0] ?? null, route('imports.update', $import), $changed, $wrong);

        return ['import' => $import, 'page' => $page, 'preview' => new ImportPreview($mapping, $page->type, $rows)];
    }
}
