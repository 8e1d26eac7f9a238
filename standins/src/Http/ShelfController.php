<?php

declare(strict_types=1);

namespace Standins\Http;

use Demo\MovableClock;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Standins\Handsets;
use Standins\Manner;

final class ShelfController
{
    public function __invoke(Request $request, Handsets $handsets, MovableClock $clock): View
    {
        $find = mb_substr($request->string('find')->value(), 0, 80, 'UTF-8');

        return view('shelf', [
            'title' => 'Handsets', 'now' => $clock->now(), 'linnet' => config('standins.linnet_url'),
            'find' => $find, 'phones' => $handsets->shelf($find), 'manners' => Manner::cases(),
        ]);
    }
}
