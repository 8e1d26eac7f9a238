<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Engine\Runner;
use App\Models\Run;
use App\Models\Staff;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** A run that stood aside since one of us wrote to its person goes on. */
final class GiveBackController
{
    public function __invoke(Request $request, Run $run, Runner $runner): RedirectResponse
    {
        $done = $runner->giveBack($run->id, Staff::asking($request)->name);

        return back()->with('done', $done ? 'It goes on, with every safeguard.' : 'It had gone on, or ended, already.');
    }
}
