<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\Gate;

/** Where everybody begins: Today, or the conversations for those who see nothing else. */
final class HomeController
{
    public function __invoke(): RedirectResponse
    {
        return redirect()->route(Gate::allows('view') ? 'today' : 'conversations.index');
    }
}
