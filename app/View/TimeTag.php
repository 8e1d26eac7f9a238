<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Business;
use Illuminate\Support\HtmlString;

/** A moment by the business's clock, as a page shows it. Said many times on a page: put together here rather than by a template. */
final class TimeTag
{
    public static function of(\DateTimeInterface $at, string $format = 'H:i'): HtmlString
    {
        $shown = \DateTimeImmutable::createFromInterface($at)->setTimezone(new \DateTimeZone(Business::current()->zone));

        return new HtmlString('<time datetime="'.$at->format(DATE_ATOM).'">'.e($shown->format($format)).'</time>');
    }
}
