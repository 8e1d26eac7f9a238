<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\ForecastMark;
use App\Models\Line;
use App\Models\Person;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Locks somebody's conversation to one line, or lets it go. */
final class LockLineController
{
    public function __invoke(Request $request, Person $person): RedirectResponse
    {
        $said = $request->validate(['line' => 'nullable|integer|exists:lines,id']);
        $line = ($said['line'] ?? null) === null ? null : Line::query()->whereNotNull('number')->findOrFail((int) $said['line']);
        $person->update(['line_id' => $line?->id]);
        ForecastMark::leave([$person->id]);

        return back()->with(
            'done',
            $line === null ? 'Rules may choose the line again.' : "Rules that may choose a line text them from the {$line->name}.",
        );
    }
}
