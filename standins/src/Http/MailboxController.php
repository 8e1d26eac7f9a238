<?php

declare(strict_types=1);

namespace Standins\Http;

use Demo\MovableClock;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Standins\Courier;
use Symfony\Component\Mime\Email;

/** All mail that Linnet has sent, whoever it is for; what it can be answered to is answered here. */
final class MailboxController
{
    private const MOST = 50;

    public function show(Request $request, MovableClock $clock): View
    {
        $find = mb_substr($request->string('find')->value(), 0, 80, 'UTF-8');
        $like = '%'.str_replace(['\\', '%', '_'], ['\\\\', '\\%', '\\_'], $find).'%';

        return view('mailbox', [
            'title' => 'Mailbox', 'now' => $clock->now(), 'linnet' => config('standins.linnet_url'), 'find' => $find,
            'mails' => DB::table('mails')
                ->whereRaw("\"to\" like ? escape '\\'", [$like])
                ->orderByDesc('id')
                ->limit(self::MOST)
                ->get(),
        ]);
    }

    /** Whoever it is for answers it, as their mail program would. */
    public function answer(Request $request, int $mail): RedirectResponse
    {
        $words = $request->validate(['words' => 'required|string|max:5000'])['words'];
        $one = DB::table('mails')->find($mail) ?? abort(404);
        $quoted = preg_replace('/^/m', '> ', (string) $one->words);
        $answer = (new Email)->from((string) $one->to)->to((string) $one->reply_to)->subject("Re: $one->subject")
            ->text("$words\n\nOn that day Linnet wrote:\n$quoted");
        Courier::send('/in/mail', config()->string('standins.mail_secret'), $answer->toString());

        return redirect()->route('mailbox', ['find' => $one->to])->with('done', 'It is on its way.');
    }
}
