<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Engine\Runner;
use App\Models\Message;
use App\Models\Staff;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** A text that waits is not to go; its run goes on without it. */
final class DropTextController
{
    public function __invoke(Request $request, Message $message, Runner $runner): RedirectResponse
    {
        $staff = $request->user();
        $runner->skip($message->id, $staff instanceof Staff ? $staff->name : '');

        return back()->with('done', 'It will not be sent.');
    }
}
