<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\RateLimiter;
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
        $tries = ['log-in|'.mb_strtolower($said['email'], 'UTF-8') => 5, 'log-in|'.$request->ip() => 30];
        foreach ($tries as $key => $most) {
            if (RateLimiter::tooManyAttempts($key, $most)) {
                throw ValidationException::withMessages(['email' => 'Too many wrong tries. Wait '.RateLimiter::availableIn($key).' seconds, then try again.'])->status(429);
            }
        }
        if (! Auth::attempt($said, $request->boolean('remember'))) {
            array_map(fn (string $key): int => RateLimiter::hit($key), array_keys($tries));

            throw ValidationException::withMessages(['email' => 'No one logs in with this email and password. Check both and try again.']);
        }
        array_map(RateLimiter::clear(...), array_keys($tries));
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
