<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** The description of the API, for reading; and as the file itself. */
final class ApiPageController
{
    public function __invoke(Request $request): View|BinaryFileResponse
    {
        $file = base_path('docs/formats/openapi.json');
        if ($request->query('as') === 'json') {
            return response()->download($file, 'linnet-openapi.json', ['Content-Type' => 'application/json']);
        }

        return view('settings.api', [
            'api' => json_decode((string) file_get_contents($file), true, 64, JSON_THROW_ON_ERROR),
            'base' => url('/api/v1'),
        ]);
    }
}
