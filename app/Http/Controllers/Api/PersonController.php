<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Api\Pages;
use App\Api\RequestParser;
use App\Api\Shapes;
use App\Engine\Store\Labels;
use App\Intake\IntakeResult;
use App\Intake\RecordWriter;
use App\Models\ExternalId;
use App\Models\Number;
use App\Models\Person;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule as OneOf;
use Linnet\Core\Intake\Cleaned;
use Linnet\Core\Intake\KnownPeople;
use Linnet\Core\Record\Change\LabelKind;
use Psr\Clock\ClockInterface;

final class PersonController
{
    public function index(Request $request): JsonResponse
    {
        $said = $request->validate([
            'find' => 'string|max:80', 'number' => 'string|max:40', 'email' => 'string|max:190', 'external_id' => 'string|max:190',
        ]);
        $query = Person::query()->with(['numbers', 'externalIds', 'labels']);
        if (isset($said['find'])) {
            $query->named($said['find']);
        }
        if (isset($said['number'])) {
            $query->whereIn('id', Number::query()->where('e164', RequestParser::number($said['number'])?->e164)->select('person_id'));
        }
        if (isset($said['email'])) {
            $query->where('email', mb_strtolower($said['email'], 'UTF-8'));
        }
        if (isset($said['external_id'])) {
            $query->whereIn('id', ExternalId::query()->where('external_id', $said['external_id'])->select('person_id'));
        }

        return Pages::of($request, $query, Shapes::person(...));
    }

    public function show(Person $person): JsonResponse
    {
        return new JsonResponse(Shapes::person($person->load(['numbers', 'externalIds', 'labels'])));
    }

    /** Adds somebody, or fills in what is known of them already. */
    public function store(Request $request, RecordWriter $writer): JsonResponse
    {
        $person = RequestParser::person($request->json()->all(), '');
        $written = RequestParser::mended(
            fn () => DB::transaction(
                fn () => $writer->upsert(new Cleaned('person', null, $person, [], KnownPeople::Fill), RequestParser::origin($request)),
            ),
        );

        return new JsonResponse(
            Shapes::person(
                Person::query()
                    ->with(['numbers', 'externalIds', 'labels'])
                    ->whereKey($written->personId)
                    ->firstOrFail(),
            ),
            $written->outcome === IntakeResult::Added ? 201 : 200,
        );
    }

    public function update(Request $request, Person $person, RecordWriter $writer): JsonResponse
    {
        $said = RequestParser::person($request->json()->all(), '');
        RequestParser::mended(fn () => DB::transaction(fn () => $writer->editPerson($person, $said, RequestParser::origin($request))));

        return $this->show($person->refresh());
    }

    /** Adds or takes away a tag, or puts them on a list or off it. */
    public function label(Request $request, Person $person, ClockInterface $clock): JsonResponse
    {
        $said = $request->validate([
            'kind' => ['required', OneOf::enum(LabelKind::class)],
            'name' => 'required|string|max:60',
            'added' => 'required|boolean',
        ]);
        DB::transaction(
            fn (): bool => Labels::set(
                $person->id, LabelKind::from($said['kind']), trim($said['name']), (bool) $said['added'], RequestParser::origin($request),
                $clock->now(),
            ),
        );

        return $this->show($person);
    }
}
