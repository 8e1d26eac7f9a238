<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Typed;
use App\Models\Person;
use App\Models\Record;
use App\Models\RecordType;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Linnet\Core\Number\Numbers;

/** People or records whose name begins with what is being typed into a field. */
final class RecordPicksController
{
    public function __invoke(Request $request): View
    {
        $said = $request->validate(['of' => 'required|string|max:60', 'name' => 'required|string|max:60', 'fields' => 'array']);
        $typed = mb_substr(
            trim(
                (string) preg_replace('/\(#\d+\)/', '', Typed::one($request, "fields.{$said['name']}")),
            ),
            0,
            80,
            'UTF-8',
        );
        if ($typed === '') {
            return view('records.picks', ['picks' => []]);
        }
        $picks =
            $said['of'] === 'person'
                ? Person::query()
                    ->named($typed)
                    ->with('number')
                    ->orderBy('last_name')
                    ->limit(12)
                    ->get()
                    ->map(
                        fn (Person $person): array => [
                            "{$person->name()} (#$person->id)",
                            $person->number === null ? (string) $person->email : Numbers::pretty($person->number->e164),
                        ],
                    )
                : Record::query()
                    ->where('record_type_id', RecordType::query()->where('key', $said['of'])->value('id'))
                    ->where('title', '>=', mb_strtolower($typed, 'UTF-8'))
                    ->where('title', '<', mb_strtolower($typed, 'UTF-8')."\u{10FFFF}")
                    ->with(['type', 'person.number'])
                    ->orderBy('title')
                    ->limit(12)
                    ->get()
                    ->map(fn (Record $record): array => ["{$record->called()} (#$record->id)", $record->person?->name() ?? '']);

        return view('records.picks', ['picks' => $picks->all()]);
    }
}
