<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Clock\Day;
use App\Models\Business;
use App\Models\ComingText;
use App\Pages\Ahead\AheadPage;
use App\Pages\Ahead\ComingFilter;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Psr\Clock\ClockInterface;

/** What is about to leave, is there room? */
final class AheadController
{
    /** Texts of a day on one page: as many as one would print. */
    private const PRINTED = 100;

    /** One day as a list that can be printed. */
    public function day(string $day): View
    {
        $zone = Business::current()->zone;
        [$year, $month, $date] = array_map(intval(...), explode('-', $day));
        abort_unless(checkdate($month, $date, $year), 404);

        $whole = new Day($day, $zone);

        return view('ahead.day', [
            'day' => $whole,
            'texts' => ComingText::query()
                ->where('left_out', false)
                ->where('leaves_at', '>=', $whole->begins)
                ->where('leaves_at', '<', $whole->ends)
                ->with(['person.number', 'rule', 'line'])
                ->orderBy('leaves_at')
                ->orderBy('id')
                ->simplePaginate(self::PRINTED)
                ->withQueryString(),
        ]);
    }

    public function index(Request $request, ClockInterface $clock): View|string
    {
        $filter = ComingFilter::of($request->validate([
            'rule' => 'nullable|integer', 'line' => 'nullable|integer', 'type' => 'nullable|integer', 'find' => 'nullable|string|max:80',
            'at' => ['nullable', 'regex:/^\d{4}-\d\d-\d\d(T([01]\d|2[0-3]))?$/'],
            'show' => 'nullable|in:'.implode(',', [ComingFilter::ALL, ComingFilter::HOURS, ComingFilter::YOU]),
        ]));

        return view('ahead.index', ['page' => new AheadPage($filter, Business::current(), $clock->now())])
            ->fragmentIf($request->header('HX-Target') === 'ahead', 'ahead');
    }
}
