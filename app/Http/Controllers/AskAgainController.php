<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Engine\Runner;
use App\Models\Message;
use App\Models\MessageState;
use Illuminate\Http\RedirectResponse;

/** Puts a text that is held or set aside before the gate once more. */
final class AskAgainController
{
    public function __invoke(Message $message, Runner $runner): RedirectResponse
    {
        $runner->reevaluateMessage($message->id);
        $state = $message->refresh()->state;

        return back()->with('done', match ($state) {
            MessageState::SetAside, MessageState::Waiting => 'It still cannot go. The reason stands beside it.',
            MessageState::Dropped => 'It was not sent. The reason stands beside it.',
            default => 'It is on its way.',
        });
    }
}
