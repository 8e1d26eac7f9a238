<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Foundation\Http\Middleware\TransformsRequest;

/**
 * Text that can be kept and shown: a page that is not written in UTF-8 sends its forms as Windows-1252 (the HTML standard's word for
 * Latin-1), and PostgreSQL keeps no zero byte.
 */
final class ReadableText extends TransformsRequest
{
    protected function transform($key, $value)
    {
        if (! is_string($value)) {
            return $value;
        }

        return str_replace("\0", '', mb_check_encoding($value, 'UTF-8') ? $value : mb_convert_encoding($value, 'UTF-8', 'Windows-1252'));
    }
}
