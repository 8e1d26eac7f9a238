<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Message;
use Illuminate\Http\Request;

/** Why one text left, or did not: every check with the values of that moment. */
final class WhyController
{
    public function __invoke(Request $request, Message $message): string
    {
        $view = view('sent.why', ['text' => $message->load(['person.number', 'line', 'rule'])]);

        return $request->headers->has('HX-Request') ? $view->fragment('why') : $view->render();
    }
}
