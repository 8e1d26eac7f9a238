<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Staff;
use App\Setup\Setup;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Sleep;
use Illuminate\Validation\ValidationException;

/**
 * Logging in. Tries are counted before they are looked at, so that many at once count too. An address that guesses is turned away for a
 * while; an account that is guessed at from everywhere is slowed down, and never shut to whom it belongs.
 */
final class LogInController
{
    private const MOST_OF_ONE_FROM_HERE = 5;

    private const MOST_FROM_HERE = 30;

    /** So many wrong tries at one account within the hour, from wherever, and each further one takes longer. */
    private const MANY_OF_ONE = 20;

    public function show(): View|RedirectResponse
    {
        return Setup::isDone() ? view('log-in.show') : redirect()->route('install');
    }

    public function store(Request $request): RedirectResponse
    {
        $said = $request->validate(['email' => 'required|email', 'password' => 'required|string']);
        $email = mb_strtolower($said['email'], 'UTF-8');
        $here = "log-in|$email|{$request->ip()}";
        foreach ([$here => self::MOST_OF_ONE_FROM_HERE, "log-in|{$request->ip()}" => self::MOST_FROM_HERE] as $key => $most) {
            if (RateLimiter::hit($key) > $most) {
                throw ValidationException::withMessages([
                    'email' => 'Too many wrong tries. Wait '.max(1, RateLimiter::availableIn($key)).' seconds, then try again.',
                ])->status(429);
            }
        }
        $this->slowDown("log-in-of|$email");
        if (! $this->isRight($said['email'], $said['password']) || ! Auth::attempt($said, $request->boolean('remember'))) {
            RateLimiter::hit("log-in-of|$email", 3600);

            throw ValidationException::withMessages(['email' => 'No one logs in with this email and password. Check both and try again.']);
        }
        // What others tried from here stays counted.
        RateLimiter::clear($here);
        RateLimiter::decrement("log-in|{$request->ip()}");
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

    private function slowDown(string $key): void
    {
        $over = (int) RateLimiter::attempts($key) - self::MANY_OF_ONE;
        if ($over >= 0) {
            Sleep::for(min(2000, 100 * 2 ** min($over, 5)))->milliseconds();
        }
    }

    private function isRight(string $email, #[\SensitiveParameter] string $password): bool
    {
        $staff = Staff::query()->where('email', $email)->whereNull('off_at')->first();

        // Where nobody has the address, it takes as long.
        return $staff === null ? Hash::make($password) === '' : Hash::check($password, $staff->password);
    }
}
