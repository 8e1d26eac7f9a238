<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\ValidationException;

final class LogInController
{
    public function show(): View
    {
        return view('log-in.show', ['demo' => (bool) config('linnet.demo.standins_url')]);
    }

    public function store(Request $request): RedirectResponse
    {
        $said = $request->validate(['email' => 'required|email', 'password' => 'required|string']);
        if (! Auth::attempt($said, $request->boolean('remember'))) {
            throw ValidationException::withMessages(['email' => 'No one logs in with this email and password. Check both and try again.']);
        }
        $request->session()->regenerate();

        return redirect()->intended(route('home'));
    }

    public function destroy(Request $request): RedirectResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return redirect()->route('log-in');
    }
}
