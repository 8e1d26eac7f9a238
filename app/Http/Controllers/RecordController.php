<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Exports\CsvExport;
use App\Exports\RecordRows;
use App\Intake\ChangeOrigin;
use App\Intake\RecordWriter;
use App\Models\Business;
use App\Models\ChosenColumns;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\SavedFilter;
use App\Models\Staff;
use App\Pages\Records\Belonging;
use App\Pages\Records\RecordPage;
use App\Pages\Records\RecordsPage;
use App\Records\RecordForm;
use App\Records\RecordQuery;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Intake\Cleaned;
use Linnet\Core\Intake\PersonInput;
use Linnet\Core\Record\RecordType as CoreType;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What is happening with this booking, this deal? */
final class RecordController
{
    private const BULK = 2000;

    public function __construct(private readonly Belonging $belonging)
    {
    }

    /** The first type with a board or records, or the settings where there is none. */
    public function types(): RedirectResponse
    {
        $type = RecordType::query()
            ->where('key', '!=', CoreType::PERSON)
            ->orderByRaw("case when \"key\" = 'booking' then 0 else 1 end")
            ->orderBy('name')
            ->first();

        return $type === null ? redirect()->route('settings.index') : redirect()->route('records.index', $type);
    }

    public function index(Request $request, RecordType $type, ClockInterface $clock): View|StreamedResponse
    {
        $page = $this->page($request, $type, $clock);
        if ($request->query('as') === 'csv') {
            return CsvExport::of(
                $type->plural,
                RecordRows::headings($type),
                RecordRows::of($type, $page->query->matching(), $page->business),
            );
        }
        $count = $page->query->count();

        return view('records.index', [
            'type' => $type, 'page' => $page, 'records' => ($records = $page->query->page(50)), 'rows' => $page->rows($records),
            'columns' => $page->columns(), 'fields' => $page->fields(), 'saved' => $page->saved(),
            'count' => $count === null ? 'many' : number_format($count).($count >= RecordQuery::COUNTED ? ' or more' : ''),
            'types' => self::all(), 'bulk' => self::BULK, 'audiences' => Belonging::offered($type),
        ]);
    }

    public function show(RecordType $type, Record $record): View
    {
        $record->load('person.numbers', 'person.number');

        return view('records.show', ['page' => new RecordPage($record, $type, Business::current())]);
    }

    public function create(RecordType $type): View
    {
        return view('records.form', [
            'type' => $type, 'record' => null, 'business' => Business::current(),
            'page' => new RecordPage(new Record(['values' => [], 'record_type_id' => $type->id]), $type, Business::current()),
        ]);
    }

    public function store(Request $request, RecordType $type, RecordWriter $writer): RedirectResponse
    {
        $values = RecordForm::read($type, (array) $request->input('fields', []), Business::current());
        if (array_filter($values, fn (mixed $value): bool => $value !== null) === []) {
            throw ValidationException::withMessages(['fields' => 'Fill in something first.']);
        }
        $one = new Cleaned($type->key, null, new PersonInput, array_filter($values, fn (mixed $value): bool => $value !== null));
        $origin = ChangeOrigin::staff(Staff::asking($request));
        $written = RecordForm::write($type, fn () => DB::transaction(fn () => $writer->upsert($one, $origin)));

        return redirect()->route('records.show', [$type, $written->recordId])->with('done', 'It is kept.');
    }

    public function edit(RecordType $type, Record $record): View
    {
        return view('records.form', [
            'type' => $type, 'record' => $record, 'business' => Business::current(),
            'page' => new RecordPage($record, $type, Business::current()),
        ]);
    }

    public function update(Request $request, RecordType $type, Record $record, RecordWriter $writer): RedirectResponse
    {
        RecordForm::change(
            $record, $type, (array) $request->input('fields', []), $writer, ChangeOrigin::staff(Staff::asking($request)),
        );

        return redirect()->route('records.show', [$type, $record])->with('done', 'The change is kept.');
    }

    /** One field of many records: those ticked, or all that match. */
    public function bulk(Request $request, RecordType $type, RecordWriter $writer, ClockInterface $clock): RedirectResponse
    {
        $said = $request->validate(
            [
                'which' => 'required|in:ticked,all', 'ticked' => 'array|max:500', 'ticked.*' => 'integer', 'field' => 'required|string',
                'value' => 'nullable|string|max:2000',
            ],
            ['field.required' => 'Choose the field to change.'],
        );
        $field = $type->field($said['field']) ?? throw ValidationException::withMessages(['bulk' => 'Choose the field to change.']);
        try {
            $values = RecordForm::read($type, [$field->key => $said['value'] ?? ''], Business::current());
        } catch (ValidationException $e) {
            throw ValidationException::withMessages(['bulk' => array_merge(...array_values($e->errors()))]);
        }
        $query = $said['which'] === 'ticked'
            ? Record::query()->where('record_type_id', $type->id)->whereKey($said['ticked'] ?? [])
            : $this->page($request, $type, $clock)->query->matching();
        $many = $query->toBase()->limit(self::BULK + 1)->pluck('id');
        if ($many->isEmpty() || count($many) > self::BULK) {
            throw ValidationException::withMessages([
                'bulk' => $many->isEmpty()
                    ? 'Tick some first.'
                    : 'These are more than '.number_format(self::BULK).' at once. Narrow the list first.',
            ]);
        }
        $origin = ChangeOrigin::staff(Staff::asking($request));
        $changed = RecordForm::write($type, fn (): int => DB::transaction(function () use ($many, $type, $writer, $values, $origin): int {
            $changed = 0;
            foreach ($many->chunk(200) as $ids) {
                foreach (Record::query()->whereKey($ids->all())->lockForUpdate()->get() as $record) {
                    $changed += (int) ($writer->edit($record->setRelation('type', $type), $values, $origin)->to !== []);
                }
            }

            return $changed;
        }), 'bulk');

        return back()->with(
            'done',
            $changed === 0 ? 'They had that value already.' : number_format($changed).($changed === 1 ? ' is changed.' : ' are changed.'),
        );
    }

    public function save(Request $request, RecordType $type, ClockInterface $clock): RedirectResponse
    {
        $name = $request->validate(['name' => 'required|string|max:80'], ['name.required' => 'Give the list a name.'])['name'];
        $page = $this->page($request, $type, $clock);
        $kept = ['cols' => $page->shown()] + $page->kept();
        SavedFilter::query()->updateOrCreate(
            ['record_type_id' => $type->id, 'name' => $name],
            ['asked' => $kept, 'staff_id' => Staff::asking($request)->id],
        );

        return redirect()->route('records.index', [$type, ...$kept])->with('done', "The list “{$name}” is kept.");
    }

    public function forget(RecordType $type, SavedFilter $filter): RedirectResponse
    {
        $filter->delete();

        return redirect()->route('records.index', $type)->with('done', "The list “{$filter->name}” is gone.");
    }

    private function page(Request $request, RecordType $type, ClockInterface $clock): RecordsPage
    {
        return new RecordsPage(
            $type->load('fields'), $request->all(), Business::current(), $clock->now(), $this->belonging,
            ChosenColumns::of(Staff::asking($request), $type),
        );
    }

    /** @return \Illuminate\Support\Collection<int, RecordType> */
    public static function all(): \Illuminate\Support\Collection
    {
        return RecordType::query()->where('key', '!=', CoreType::PERSON)->orderBy('name')->get(['id', 'key', 'plural', 'stage_field']);
    }
}
