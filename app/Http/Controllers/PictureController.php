<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Illuminate\Http\Response;
use Illuminate\Support\Facades\Storage;

/** A picture that goes with a text, for the carrier and for whoever got its address. */
final class PictureController
{
    private const TYPES = ['jpg' => 'image/jpeg', 'png' => 'image/png', 'gif' => 'image/gif'];

    public function __invoke(string $name): Response
    {
        $content = Storage::exists("pictures/$name") ? Storage::get("pictures/$name") : null;

        return new Response($content ?? abort(404), 200, [
            'Content-Type' => self::TYPES[pathinfo($name, PATHINFO_EXTENSION)] ?? 'application/octet-stream',
            'Cache-Control' => 'public, max-age=31536000, immutable',
            'Content-Disposition' => 'inline',
        ]);
    }
}
