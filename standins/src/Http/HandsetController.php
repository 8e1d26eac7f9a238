<?php

declare(strict_types=1);

namespace Standins\Http;

use Demo\MovableClock;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Validation\Rule;
use Standins\Carrier;
use Standins\Courier;
use Standins\Handsets;
use Standins\How;
use Standins\PhoneSystem;

final class HandsetController
{
    public function show(string $number, Handsets $handsets, MovableClock $clock): View
    {
        $texts = $handsets->texts($number);

        return view('handset', [
            'title' => $handsets->owner($number), 'now' => $clock->now(), 'linnet' => config('standins.linnet_url'),
            'number' => $number, 'texts' => $texts, 'lines' => Handsets::LINES, 'lastLine' => end($texts)['number'] ?? null,
        ]);
    }

    public function texts(string $number, Handsets $handsets): View
    {
        return view('texts', ['number' => $number, 'texts' => $handsets->texts($number)]);
    }

    /** A picture that came with a text, fetched where the text said, as a carrier does. */
    public function picture(string $ref): Response
    {
        $address = (string) DB::table('texts')->where('ref', $ref)->value('picture');
        $isOurs = str_starts_with($address, config()->string('standins.linnet_url').'/');
        $answer = $isOurs ? Http::timeout(5)->get($address) : null;

        return $answer?->successful() === true
            ? new Response($answer->body(), 200, ['Content-Type' => $answer->header('Content-Type')])
            : new Response('', 404);
    }

    public function write(Request $request, string $number, Carrier $carrier, Courier $courier): RedirectResponse
    {
        $said = $request->validate(['text' => 'required|string|max:2000', 'to' => ['required', Rule::in(array_keys(Handsets::LINES))]]);
        $carrier->write($number, $said['to'], $said['text']);
        $courier->round();

        return back();
    }

    public function call(Request $request, string $number, PhoneSystem $phone, Courier $courier): RedirectResponse
    {
        $said = $request->validate([
            'to' => ['required', Rule::in(array_keys(Handsets::LINES))],
            'how' => ['required', Rule::enum(How::class)],
        ]);
        $phone->call($number, $said['to'], $request->boolean('withheld'), $request->boolean('answered'), How::from($said['how']));
        $courier->round();

        return back()->with('done', $request->boolean('answered') ? 'You rang, and somebody answered.' : 'It rang and rang. You hung up.');
    }
}
