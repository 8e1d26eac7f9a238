<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Inbound\DeliveryStatusHandler;
use App\Models\Message;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;

/** A short link of a text was opened: leads on, and tells the rules the first time. */
final class OpenLinkController
{
    public function __invoke(string $code, DeliveryStatusHandler $statuses, ClockInterface $clock): RedirectResponse
    {
        $link = DB::table('links')->where('code', $code)->first();
        $target = is_string($link?->target) ? $link->target : '';
        if (preg_match('#^https?://[^\s]+$#i', $target) !== 1) {
            abort(404);
        }
        DB::transaction(function () use ($code, $link, $statuses, $clock): void {
            $first =
                DB::table('links')
                    ->where('code', $code)
                    ->whereNull('opened_at')
                    ->update(['opened_at' => $clock->now()->format('Y-m-d H:i:s')]) === 1;
            DB::table('links')->where('code', $code)->increment('opened');
            $message = $first ? Message::query()->with('rule')->whereKey($link->message_id)->first() : null;
            if ($message !== null) {
                $statuses->linkOpened($message, $clock->now());
            }
        });

        return redirect()->away($target, 302, ['Referrer-Policy' => 'no-referrer']);
    }
}
