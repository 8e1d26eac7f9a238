<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Engine\Store\Labels;
use App\Intake\ChangeOrigin;
use App\Models\Label;
use App\Models\Rule;
use App\Models\Staff;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule as Valid;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\Change\LabelChanged;
use Linnet\Core\Record\Change\LabelKind;
use Psr\Clock\ClockInterface;

/** A tag or list of many people at once: first what it comes to, then done. */
final readonly class BulkLabelController
{
    private const TICKED = 500;

    public function __construct(private ClockInterface $clock)
    {
    }

    public function show(Request $request): View
    {
        [$kind, $name, $added, $people] = $this->said($request);
        $have = Label::query()->whereIn('person_id', $people)->where('kind', $kind->value)
            ->where('folded', mb_strtolower($name, 'UTF-8'))->distinct()->count('person_id');
        $change = new LabelChanged($kind, $name, $added);

        return view('people.bulk', [
            'kind' => $kind, 'name' => $name, 'added' => $added, 'people' => $people, 'have' => $have,
            'many' => $added ? count($people) - $have : $have,
            'rules' => Rule::query()->with('version')->where('power', ActivationState::On)->orderBy('name')->get()
                ->filter(fn (Rule $rule): bool => $rule->version?->read()->trigger->meets($change, (string) $rule->id) === true),
        ]);
    }

    public function store(Request $request): RedirectResponse
    {
        [$kind, $name, $added, $people] = $this->said($request);
        $origin = ChangeOrigin::staff(Staff::asking($request));
        $done = 0;
        foreach (array_chunk($people, 100) as $some) {
            $done += DB::transaction(fn (): int => count(array_filter(
                $some, fn (int $id): bool => Labels::set($id, $kind, $name, $added, $origin, $this->clock->now()),
            )));
        }

        return redirect()->route('people.index')->with('done', $done === 0 ? 'Nothing was to be changed.' : "It is done for $done.");
    }

    /** @return array{LabelKind, string, bool, list<int>} */
    private function said(Request $request): array
    {
        $said = $request->validate(
            [
                'ticked' => 'required|array|max:'.self::TICKED, 'ticked.*' => 'integer|exists:people,id',
                'name' => 'required|string|max:60',
                'what' => ['required', Valid::in(['add tag', 'remove tag', 'add list', 'remove list'])],
            ],
            ['ticked.required' => 'Tick some first.', 'name.required' => 'Write the tag or list.'],
        );
        [$do, $kind] = explode(' ', (string) $said['what']);

        return [
            LabelKind::from($kind), trim(preg_replace('/\s+/u', ' ', (string) $said['name']) ?? ''), $do === 'add',
            array_values(array_unique(array_map(intval(...), array_filter((array) $said['ticked'], is_numeric(...))))),
        ];
    }
}
