<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Notice;
use App\Models\Staff;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Psr\Clock\ClockInterface;

final class NoticeController
{
    public function putAway(Request $request, Notice $notice, ClockInterface $clock): RedirectResponse
    {
        abort_unless($notice->staff_id === null || $notice->staff_id === Staff::asking($request)->id, 403);
        $notice->update(['put_away_at' => $clock->now()]);

        return back()->with('done', 'Put away.');
    }
}
