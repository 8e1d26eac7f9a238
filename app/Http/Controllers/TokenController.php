<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Api\Ability;
use App\Models\Staff;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Laravel\Sanctum\PersonalAccessToken;

/** Tokens for the API: shown once, each with what it may do. */
final class TokenController
{
    public function store(Request $request): RedirectResponse
    {
        $said = $request->validate(
            ['name' => 'required|string|max:60', 'abilities' => 'required|array|min:1', 'abilities.*' => [Rule::enum(Ability::class)]],
            ['name.required' => 'Say who will use it.', 'abilities.required' => 'Tick what it may do.'],
        );
        $token = Staff::asking($request)->createToken($said['name'], array_values($said['abilities']));

        return redirect()->route('settings.index')->with('token', $token->plainTextToken);
    }

    public function destroy(PersonalAccessToken $token): RedirectResponse
    {
        $token->delete();

        return redirect()->route('settings.index')->with('done', 'The token is no longer good.');
    }
}
