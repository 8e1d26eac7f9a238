<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\PutAside;
use Illuminate\Http\RedirectResponse;

/** What could not be worked out is tried again, or left. */
final class PutAsideController
{
    public function again(PutAside $putAside): RedirectResponse
    {
        $putAside->tryAgain();

        return back()->with('done', 'It is tried again now. Should it fail once more, it will stand here again.');
    }

    public function leave(PutAside $putAside): RedirectResponse
    {
        $putAside->delete();

        return back()->with('done', 'It is left as it is.');
    }
}
