<?php

declare(strict_types=1);

namespace Standins\Http;

use Demo\MovableClock;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Standins\BookingPage;
use Standins\Courier;
use Standins\Handsets;
use Standins\How;

/** The booking page, as the owner of one handset sees it. */
final class BookingController
{
    public function show(string $number, BookingPage $page, Handsets $handsets, MovableClock $clock): View
    {
        return view('booking', [
            'title' => 'The booking page, for '.$handsets->owner($number), 'now' => $clock->now(),
            'linnet' => config('standins.linnet_url'), 'number' => $number, 'slots' => $page->slots(), 'lessons' => $page->of($number),
        ]);
    }

    public function book(Request $request, string $number, BookingPage $page, Courier $courier): RedirectResponse
    {
        $said = $request->validate([
            'what' => ['required', Rule::in(array_keys(BookingPage::LESSONS))], 'with' => ['required', Rule::in(BookingPage::INSTRUCTORS)],
            'from' => 'required|date', 'guests' => 'required|integer|min:1|max:6', 'how' => ['required', Rule::enum(How::class)],
        ]);
        $page->book(
            $number, $said['what'], $said['with'], new \DateTimeImmutable($said['from']), (int) $said['guests'], How::from($said['how']),
        );
        $courier->round();

        return back()->with('done', 'It is booked.');
    }

    public function change(Request $request, string $number, int $lesson, BookingPage $page, Courier $courier): RedirectResponse
    {
        $said = $request->validate([
            'act' => 'required|in:move,cancel',
            'from' => 'required_if:act,move|date',
            'how' => ['required', Rule::enum(How::class)],
        ]);
        $said['act'] === 'move'
            ? $page->move($lesson, new \DateTimeImmutable($said['from']), How::from($said['how']))
            : $page->cancel($lesson, How::from($said['how']));
        $courier->round();

        return back()->with('done', $said['act'] === 'move' ? 'It is moved.' : 'It is cancelled.');
    }
}
