<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Business;
use App\Models\Staff;
use App\Pages\Today\TodayPage;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Psr\Clock\ClockInterface;

final class TodayController
{
    public function __invoke(Request $request, ClockInterface $clock): View|string
    {
        return view('today.show', ['page' => new TodayPage(Business::current(), $clock->now(), Staff::asking($request))])
            ->fragmentIf($request->header('HX-Target') === 'today', 'today');
    }
}
