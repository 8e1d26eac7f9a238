<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Request;

/** What was typed under one name. */
final class Typed
{
    /** @return string nothing where it is missing, or several things */
    public static function one(Request $request, string $name): string
    {
        $typed = $request->input($name);

        return is_scalar($typed) ? (string) $typed : '';
    }
}
