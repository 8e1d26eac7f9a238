<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Request;

/** The page that something was done from, as its form says it. */
final class Back
{
    /** @param  string  $else  where it says nothing of ours, whatever was sent */
    public static function to(Request $request, string $else): string
    {
        $back = Typed::one($request, 'back');

        return preg_match('~^/(?![/\\\\])~', $back) === 1 ? $back : $else;
    }
}
