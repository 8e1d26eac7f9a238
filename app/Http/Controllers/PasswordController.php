<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Staff;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;

/** Somebody changes their own password. */
final class PasswordController
{
    public function edit(): View
    {
        return view('staff.password');
    }

    public function update(Request $request): RedirectResponse
    {
        $said = $request->validate(
            ['now' => 'bail|required|string|current_password', 'password' => 'required|string|min:10|max:200'],
            [
                'now.*' => 'That is not your password as it is now.', 'password.required' => 'Choose a password.',
                'password.min' => 'Take at least 10 characters.',
            ],
        );
        // Who is remembered on another machine logs in there anew.
        Staff::asking($request)->forceFill(['password' => $said['password'], 'remember_token' => Str::random(60)])->save();
        $request->session()->regenerate();

        return redirect()->route('password.edit')->with('done', 'Your password is another now.');
    }
}
