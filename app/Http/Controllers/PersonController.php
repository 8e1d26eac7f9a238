<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Database\DistinctValues;
use App\Exports\CsvExport;
use App\Exports\PeopleRows;
use App\Exports\VCardOf;
use App\Intake\ChangeOrigin;
use App\Intake\RecordWriter;
use App\Models\Audience;
use App\Models\Business;
use App\Models\Field;
use App\Models\Person;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Staff;
use App\Pages\PeopleColumns;
use App\Pages\PeopleQuery;
use App\Pages\PersonPage;
use App\Pages\Records\RecordPage;
use App\Pages\StoryKind;
use App\Records\RecordForm;
use App\Sentences\Sentence;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Intake\Cleaned;
use Linnet\Core\Intake\FieldNormalizer;
use Linnet\Core\Intake\PersonInput;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Number\NotANumber;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Record\Change\LabelKind;
use Symfony\Component\HttpFoundation\StreamedResponse;

final class PersonController
{
    /** Those without a name last; the same words as the index they are read by. */
    private const BY_NAME = 'coalesce(last_name, first_name) is null, coalesce(last_name, first_name), first_name, id';

    public function index(Request $request, PeopleQuery $find): View|StreamedResponse
    {
        $asked = $request->validate([
            'find' => 'nullable|string|max:80', 'audience' => 'nullable|integer', 'label' => 'nullable|string|max:70',
            'order' => 'nullable|in:name,newest',
            'as' => 'nullable|in:csv,vcard',
        ]) + ['find' => '', 'audience' => null, 'label' => '', 'order' => 'name', 'as' => null];
        $query = $find->of($asked);
        if ($asked['as'] !== null) {
            Gate::authorize('view');
            $type = RecordType::people();

            return $asked['as'] === 'csv'
                ? CsvExport::of('people', PeopleRows::headings($type), PeopleRows::of($type, $query, Business::current()))
                : VCardOf::people($query);
        }
        $asked['order'] === 'newest' ? $query->orderByDesc('id') : $query->orderByRaw(self::BY_NAME);
        $people = $query->simplePaginate(50)->withQueryString();
        $type = RecordType::people();

        return view('people.index', [
            'people' => $people,
            'asked' => $asked,
            'audiences' => Gate::allows('view') ? Audience::query()->orderBy('folded')->pluck('name', 'id') : [],
            'labels' => [
                'tag' => DistinctValues::of('labels', 'name', ['kind' => LabelKind::Tag->value]),
                'list' => DistinctValues::of('labels', 'name', ['kind' => LabelKind::List->value]),
            ],
            'columns' => (new PeopleColumns($type, Staff::asking($request), Business::current()))->of($people->getCollection()),
            'settable' => $type->fields->reject(fn (Field $field): bool => $field->kind->isReference())
                ->mapWithKeys(fn (Field $field): array => [$field->key => mb_strtolower($field->name, 'UTF-8')])->all(),
        ]);
    }

    public function show(Request $request, Person $person, PersonPage $page): View
    {
        $asked = $request->validate(['story' => ['nullable', Rule::enum(StoryKind::class)], 'day' => 'nullable|date_format:Y-m-d']);
        $page->about($person)->telling(StoryKind::tryFrom($asked['story'] ?? ''), $asked['day'] ?? null);

        return view('people.show', ['page' => $page, 'colleagues' => Staff::answering()]);
    }

    public function create(): View
    {
        return view('people.form', $this->form(new Person(['fields' => []])));
    }

    public function store(Request $request, RecordWriter $writer): RedirectResponse
    {
        $said = $this->said($request);
        if (! $said->isSomebody()) {
            throw ValidationException::withMessages(['number' => 'A number or an email is needed, to tell them from anybody else.']);
        }
        $written = $this->mended(
            fn () => DB::transaction(
                fn () => $writer->upsert(new Cleaned('person', null, $said, []), ChangeOrigin::staff(Staff::asking($request))),
            ),
        );

        return redirect()
            ->route('people.show', $written->personId)
            ->with(
                'done',
                $written->newPerson
                    ? 'They are known now.'
                    : 'Somebody with this number or email was known already. What was empty is filled in.',
            );
    }

    public function edit(Person $person): View
    {
        return view('people.form', $this->form($person));
    }

    public function update(Request $request, Person $person, RecordWriter $writer): RedirectResponse
    {
        $said = $this->said($request);
        $this->mended(fn () => DB::transaction(fn () => $writer->editPerson($person, $said, ChangeOrigin::staff(Staff::asking($request)))));

        return redirect()->route('people.show', $person)->with('done', 'The change is kept.');
    }

    /** @return array<string, mixed> */
    private function form(Person $person): array
    {
        $business = Business::current();
        $type = RecordType::people();

        return [
            'person' => $person, 'business' => $business, 'type' => $type,
            'page' => new RecordPage(new Record(['values' => $person->fields, 'record_type_id' => $type->id]), $type, $business),
        ];
    }

    private function said(Request $request): PersonInput
    {
        $said = $request->validate(
            [
                'first_name' => 'nullable|string|max:120', 'last_name' => 'nullable|string|max:120', 'email' => 'nullable|string|max:190',
                'number' => 'nullable|string|max:40', 'zone' => 'nullable|timezone:all', 'fields' => 'array',
            ],
            ['zone.timezone' => 'A time zone such as Europe/London is expected.'],
        );
        $business = Business::current();
        $fields = RecordForm::read(RecordType::people(), $said['fields'] ?? [], $business);
        $email =
            ($said['email'] ?? '') === ''
                ? null
                : FieldNormalizer::email((string) $said['email']) ??
                    throw ValidationException::withMessages(['email' => 'This is no email address.']);
        try {
            $number = ($said['number'] ?? '') === '' ? null : Numbers::read((string) $said['number'], $business->country);
        } catch (NotANumber $e) {
            throw ValidationException::withMessages(['number' => Sentence::of($e->reason())]);
        }

        return new PersonInput(
            null,
            $number,
            $email,
            array_map(
                fn (mixed $value): string => is_string($value) ? trim($value) : '',
                array_intersect_key($said, ['first_name' => 1, 'last_name' => 1, 'zone' => 1]),
            ),
            $fields,
        );
    }

    /**
     * @template T
     *
     * @param  \Closure(): T  $do
     * @return T
     *
     * @throws ValidationException
     */
    private function mended(\Closure $do): mixed
    {
        try {
            return $do();
        } catch (Refused $e) {
            throw ValidationException::withMessages(['number' => Sentence::of($e->reason())]);
        }
    }
}
