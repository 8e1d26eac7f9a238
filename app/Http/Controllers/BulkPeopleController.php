<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Bulk\BulkChange;
use App\Bulk\BulkField;
use App\Bulk\BulkLabel;
use App\Intake\ChangeOrigin;
use App\Intake\RecordWriter;
use App\Models\Business;
use App\Models\Field;
use App\Models\Person;
use App\Models\RecordType;
use App\Models\Rule;
use App\Models\Staff;
use App\Records\RecordForm;
use App\Records\Shown;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\Change\LabelKind;
use Psr\Clock\ClockInterface;

/** Something done to many people at once: first what it comes to, then done. */
final readonly class BulkPeopleController
{
    private const TICKED = 500;

    public function __construct(private ClockInterface $clock, private RecordWriter $writer)
    {
    }

    public function show(Request $request): View
    {
        [$bulk, $people, $said] = $this->said($request);
        $change = $bulk->change();

        return view('people.bulk', [
            'bulk' => $bulk, 'people' => $people, 'said' => $said, 'already' => $bulk->alreadySo($people),
            'rules' => Rule::query()->with('version')->where('power', ActivationState::On)->orderBy('name')->get()
                ->filter(fn (Rule $rule): bool => $rule->version?->read()->trigger->meets($change, (string) $rule->id) === true),
        ]);
    }

    public function store(Request $request): RedirectResponse
    {
        [$bulk, $people] = $this->said($request);
        $origin = ChangeOrigin::staff(Staff::asking($request));
        $done = 0;
        foreach (array_chunk($people, 100) as $some) {
            $done += DB::transaction(fn (): int => Person::query()->whereKey($some)->orderBy('id')->lockForUpdate()->get()
                ->filter(fn (Person $person): bool => $bulk->do($person, $origin, $this->clock->now()))->count());
        }

        return redirect()->route('people.index')->with('done', $done === 0 ? 'Nothing was to be changed.' : "It is done for $done.");
    }

    /** @return array{BulkChange, list<int>, array{what: string, name: string}} */
    private function said(Request $request): array
    {
        $said = $request->validate(
            [
                'ticked' => 'required|array|max:'.self::TICKED, 'ticked.*' => 'integer|exists:people,id',
                'name' => 'nullable|string|max:500',
                'what' => ['required', 'regex:/^((add|remove) (tag|list)|set [a-z0-9_]+)$/D'],
            ],
            ['ticked.required' => 'Tick some first.'],
        );
        $name = trim(preg_replace('/\s+/u', ' ', (string) ($said['name'] ?? '')) ?? '');
        $people = array_values(array_unique(array_map(intval(...), array_filter((array) $said['ticked'], is_numeric(...)))));

        return [$this->bulk((string) $said['what'], $name), $people, ['what' => (string) $said['what'], 'name' => $name]];
    }

    private function bulk(string $what, string $name): BulkChange
    {
        [$do, $of] = explode(' ', $what);
        if ($do === 'set') {
            return $this->field($of, $name);
        }
        if ($name === '' || mb_strlen($name, 'UTF-8') > 60) {
            throw ValidationException::withMessages([
                'name' => $name === '' ? 'Write the tag or list.' : 'That is too long for a tag or list.',
            ]);
        }

        return new BulkLabel(LabelKind::from($of), $name, $do === 'add');
    }

    private function field(string $key, string $typed): BulkField
    {
        $type = RecordType::people();
        $field = $type->field($key);
        if (! $field instanceof Field) {
            throw ValidationException::withMessages(['what' => 'There is no such field of people any more.']);
        }
        $business = Business::current();
        try {
            $value = RecordForm::read($type, [$key => $typed], $business)[$key] ?? null;
        } catch (ValidationException $e) {
            throw ValidationException::withMessages(['name' => $e->errors()["fields.$key"] ?? $e->getMessage()]);
        }
        $says = (new Shown($type, [], $business->zone, $business->currency()))->key($key, $value);

        return new BulkField($this->writer, $field, $value, $says);
    }
}
