<?php

declare(strict_types=1);

namespace Standins\Http;

use Demo\MovableClock;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** All mail that Linnet has sent, whoever it is for. */
final class MailboxController
{
    private const MOST = 50;

    public function __invoke(Request $request, MovableClock $clock): View
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
}
