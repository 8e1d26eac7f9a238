<?php

declare(strict_types=1);

namespace Standins\Http;

use Demo\MovableClock;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Standins\Courier;
use Standins\Handsets;
use Standins\How;
use Standins\Shop;

/** The shop, as the owner of one handset sees it. */
final class ShopController
{
    public function show(string $number, Shop $shop, Handsets $handsets, MovableClock $clock): View
    {
        return view('shop', [
            'title' => 'The gear shop, for '.$handsets->owner($number), 'now' => $clock->now(), 'linnet' => config('standins.linnet_url'),
            'number' => $number, 'basket' => $shop->basket($number),
        ]);
    }

    public function act(Request $request, string $number, Shop $shop, Courier $courier): RedirectResponse
    {
        $said = $request->validate([
            'act' => ['required', Rule::in(['leave', 'pay', ...array_keys(Shop::GOODS)])],
            'how' => ['required', Rule::enum(How::class)],
        ]);
        $how = How::from($said['how']);
        match ($said['act']) {
            'leave' => $shop->leave($number, $how),
            'pay' => $shop->pay($number, $how),
            default => $shop->put($number, $said['act'], $how),
        };
        $courier->round();

        return back()->withInput(['how' => $said['how']])->with('done', match ($said['act']) {
            'leave' => 'You left the shop.', 'pay' => 'You paid.', default => 'It is in the basket.'
        });
    }
}
