<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Message;
use App\View\Components\Icon;
use Illuminate\Contracts\Support\Htmlable;
use Illuminate\Support\HtmlString;

/** How something stands: a word in its colour, with a drawing for those who see no colour. */
final class ToneTag
{
    private const ICONS = ['well' => 'circle-check', 'held' => 'clock', 'bad' => 'circle-x', 'plain' => 'circle-dot'];

    public static function of(string $tone, string|Htmlable $says, ?string $icon = null, string $class = ''): HtmlString
    {
        $drawn = (new Icon($icon ?? self::ICONS[$tone]))->render();

        return new HtmlString('<span class="'.e(trim("tone $tone $class")).'">'.$drawn.e($says).'</span>');
    }

    /** How a text stands. */
    public static function ofMessage(Message $message, string $class = ''): HtmlString
    {
        return self::of($message->state->tone(), $message->state->word(), class: $class);
    }
}
