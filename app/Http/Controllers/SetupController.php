<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Setup\Setup;
use App\Setup\SetupForm;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;

/** The first page there is, as long as there is nobody who could log in. */
final class SetupController
{
    public function show(): View|RedirectResponse
    {
        return Setup::isDone() ? redirect()->route('log-in') : view('install.show', [
            'countries' => SetupForm::countries(), 'currencies' => SetupForm::currencies(), 'zones' => \DateTimeZone::listIdentifiers(),
        ]);
    }

    public function store(Request $request): RedirectResponse
    {
        if (Setup::isDone()) {
            return redirect()->route('log-in');
        }
        $staff = Setup::run(SetupForm::read($request->all()));
        if ($staff === null) {
            return redirect()->route('log-in');
        }
        Auth::login($staff);
        $request->session()->regenerate();

        return redirect()->route('lines.index')->with('done', 'The business is there. Add the first line: what its texts are sent from.');
    }
}
