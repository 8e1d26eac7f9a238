<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Engine\Outbox;
use App\Models\Message;
use Illuminate\Http\RedirectResponse;

/** Somebody found out that a text whose hand-over was cut off has gone. */
final class TextWentController
{
    public function __invoke(Message $message, Outbox $outbox): RedirectResponse
    {
        $outbox->wentAfterAll($message->id);

        return back()->with('done', 'It counts as handed over.');
    }
}
