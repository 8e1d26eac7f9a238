<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Exports\CsvExport;
use App\Exports\MessageRows;
use App\Models\Business;
use App\Models\Line;
use App\Models\MessageState;
use App\Models\Rule;
use App\Models\SentFilter;
use App\Models\Staff;
use App\Pages\Texts\SentQuery;
use App\Pages\Texts\SentReasons;
use App\Pages\Texts\SentTotals;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What left, did it arrive? */
final class SentController
{
    public function index(Request $request): View|StreamedResponse
    {
        $as = $request->validate(['as' => 'nullable|in:csv'])['as'] ?? null;
        $query = self::query($request);
        if ($as !== null) {
            return CsvExport::of('texts', MessageRows::HEADINGS, MessageRows::of($query->ordered(), Business::current()->zone));
        }

        return view('sent.index', [
            'texts' => $query->ordered()
                ->with(['person.number', 'line', 'rule', 'staff', 'toStaff'])
                ->simplePaginate(35)
                ->withQueryString(),
            'query' => $query,
            'rules' => Rule::query()->orderBy('name')->get(['id', 'name']),
            'lines' => Line::query()->orderBy('id')->get(['id', 'name']),
            'states' => array_filter(MessageState::cases(), fn (MessageState $state): bool => $state !== MessageState::Received),
            'reasons' => SentReasons::all(),
            'kept' => SentFilter::query()->orderBy('name')->get(),
        ]);
    }

    /** How many that are, and what they cost: beside the list, since of very many it takes a moment. */
    public function totals(Request $request): View
    {
        return view('sent.totals', ['total' => SentTotals::of(self::query($request)), 'currency' => Business::current()->currency()]);
    }

    public function save(Request $request): RedirectResponse
    {
        $name = $request->validate(['name' => 'required|string|max:80'], ['name.required' => 'Give the list a name.'])['name'];
        $asked = self::query($request)->asked;
        SentFilter::query()->updateOrCreate(['name' => $name], ['asked' => $asked, 'staff_id' => Staff::asking($request)->id]);

        return redirect()->route('sent.index', $asked)->with('done', "The list “{$name}” is kept.");
    }

    public function forget(SentFilter $filter): RedirectResponse
    {
        $filter->delete();

        return redirect()->route('sent.index')->with('done', "The list “{$filter->name}” is gone.");
    }

    private static function query(Request $request): SentQuery
    {
        return new SentQuery($request->validate(SentQuery::RULES), Business::current()->zone);
    }
}
