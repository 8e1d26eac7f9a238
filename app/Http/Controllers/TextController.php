<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Message;
use App\Pages\Texts\TextPage;
use Illuminate\Http\Request;

/** Everything about one text. */
final class TextController
{
    public function __invoke(Request $request, Message $message): string
    {
        $view = view('sent.text', ['page' => new TextPage($message)]);

        return $request->headers->has('HX-Request') ? $view->fragment('why') : $view->render();
    }
}
