<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Inbound\OptOutReview;
use App\Models\Number;
use App\Models\Staff;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Decides whether what reads like a stop is one. */
final class DoubtController
{
    public function __invoke(Request $request, Number $number, OptOutReview $doubts): RedirectResponse
    {
        $isStop = $request->validate(['means' => 'required|in:stop,no'])['means'] === 'stop';
        $person = $doubts->decide($number, $isStop, Staff::asking($request));

        return back()->with(
            'done',
            $isStop ? "No more texts go to {$person->called()}." : "Automatic texts go to {$person->called()} again.",
        );
    }
}
