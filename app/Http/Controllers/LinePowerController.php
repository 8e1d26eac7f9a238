<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Engine\Runner;
use App\Models\Line;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule as Valid;
use Linnet\Core\Record\ActivationState;

final class LinePowerController
{
    public function __invoke(Request $request, Line $line, Runner $runner): RedirectResponse
    {
        $power = ActivationState::from($request->validate(['power' => ['required', Valid::in(['on', 'paused'])]])['power']);
        $runner->switchLine($line, $power);

        return back()->with(
            'done',
            $power === ActivationState::On
                ? "The line “{$line->name}” is on. Failures from before count no more."
                : "The line “{$line->name}” is off.",
        );
    }
}
