<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Exports\CsvExport;
use App\Models\Business;
use App\Models\Consent;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** The ledger: who agreed to what and who took it back, with the proof. */
final class ConsentController
{
    public function __invoke(Request $request): View|StreamedResponse
    {
        $asked = $request->validate([
            'act' => 'nullable|in:granted,withdrawn', 'scope' => 'nullable|in:all,marketing', 'order' => 'nullable|in:newest,oldest',
            'as' => 'nullable|in:csv',
        ]) + ['act' => '', 'scope' => '', 'order' => 'newest', 'as' => null];
        $query = Consent::query()->with('person.number');
        foreach (['act', 'scope'] as $column) {
            if (is_string($asked[$column]) && $asked[$column] !== '') {
                $query->where($column, $asked[$column]);
            }
        }
        $asked['order'] === 'oldest' ? $query->orderBy('id') : $query->orderByDesc('id');
        if ($asked['as'] === 'csv') {
            $zone = new \DateTimeZone(Business::current()->zone);

            return CsvExport::of(
                'consent',
                ['When', 'Person', 'Number', 'Act', 'Scope', 'How', 'Wording'],
                (function () use ($query, $zone): \Generator {
                    foreach ($query->lazy(500) as $entry) {
                        yield [
                            $entry->at->setTimezone($zone)->format(DATE_ATOM), $entry->person->name(), $entry->number, $entry->act,
                            $entry->scope, $entry->how, $entry->wording,
                        ];
                    }
                })(),
            );
        }

        return view('safeguards.consent', ['entries' => $query->simplePaginate(50)->withQueryString(), 'asked' => $asked]);
    }
}
