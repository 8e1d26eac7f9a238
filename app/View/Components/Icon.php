<?php

declare(strict_types=1);

namespace App\View\Components;

use Illuminate\Support\HtmlString;
use Illuminate\View\Component;

/** One of the shipped icons (Lucide, ISC), drawn in the colour of the text around it. */
final class Icon extends Component
{
    /** @var array<string, string> */
    private static array $drawn = [];

    public function __construct(private readonly string $name)
    {
    }

    public function render(): HtmlString
    {
        return new HtmlString(self::$drawn[$this->name] ??= preg_replace(
            // How it is drawn is the style sheet's to say.
            ['/<!--.*?-->\s*/s', '/<svg[^>]*(viewBox="[^"]*")[^>]*>/', '/\s+/'], ['', '<svg class="icon" aria-hidden="true" $1>', ' '],
            (string) file_get_contents(resource_path('icons/'.basename($this->name).'.svg')),
        ) ?? '');
    }
}
