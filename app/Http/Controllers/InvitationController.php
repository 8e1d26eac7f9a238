<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Staff\Members;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;

/** Where an invitation leads: somebody chooses their password, once. */
final class InvitationController
{
    public function show(string $token, Members $members): View
    {
        return view('staff.invitation', ['token' => $token, 'staff' => $members->invited($token)]);
    }

    public function store(Request $request, string $token, Members $members): RedirectResponse
    {
        $said = $request->validate(
            ['password' => 'required|string|min:10|max:200'],
            ['password.required' => 'Choose a password.', 'password.min' => 'Take at least 10 characters.'],
        );
        $staff = $members->choosePassword($token, $said['password']);
        if ($staff === null) {
            return redirect()->route('invitations.show', $token);
        }
        Auth::login($staff);
        $request->session()->regenerate();

        return redirect()->route('home');
    }
}
