<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Linnet\Core\Text\Length;

/** How long a text is, while it is being typed. */
final class MeasureController
{
    public function __invoke(Request $request): View
    {
        $said = $request->validate(['text' => 'present|nullable|string|max:5000']);

        return view('partials.measure', ['length' => Length::of($said['text'] ?? '')]);
    }
}
