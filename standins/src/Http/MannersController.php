<?php

declare(strict_types=1);

namespace Standins\Http;

use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Standins\Manner;

final class MannersController
{
    public function __invoke(Request $request): RedirectResponse
    {
        $on = (array) $request->input('manners', []);
        foreach (Manner::cases() as $manner) {
            $manner->set(in_array($manner->value, $on, true));
        }

        return back()->with('done', 'The carrier will behave so from now on.');
    }
}
