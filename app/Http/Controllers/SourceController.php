<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Delivery;
use App\Models\DeliveryState;
use App\Models\Source;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

/** Is data coming in right? */
final class SourceController
{
    public function index(): View
    {
        $sources = Source::query()->orderBy('name')->get();
        $newest = Delivery::query()->whereIn('id', Delivery::query()->selectRaw('max(id)')->groupBy('source_id'))->get()->keyBy('source_id');
        $counts = Delivery::query()->groupBy('source_id', 'state')->selectRaw('source_id, state, count(*) as many')->toBase()->get()->groupBy('source_id');

        return view('sources.index', [
            'sources' => $sources,
            'newest' => $newest,
            'counts' => $counts->map(fn ($rows) => $rows->pluck('many', 'state')),
            'states' => DeliveryState::cases(),
        ]);
    }

    public function show(Request $request, Source $source): View
    {
        $asked = $request->validate(['state' => 'nullable|string|max:20', 'order' => 'nullable|in:newest,oldest']) + ['state' => '', 'order' => 'newest'];
        $state = DeliveryState::tryFrom((string) $asked['state']);
        $query = Delivery::query()->where('source_id', $source->id)->with('record.person.number');
        if ($state !== null) {
            $query->where('state', $state);
        }
        $asked['order'] === 'oldest' ? $query->orderBy('id') : $query->orderByDesc('id');

        return view('sources.show', [
            'source' => $source, 'asked' => $asked, 'states' => DeliveryState::cases(),
            'deliveries' => $query->simplePaginate(25)->withQueryString(),
        ]);
    }
}
