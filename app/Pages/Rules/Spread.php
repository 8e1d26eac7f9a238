<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use App\Clock\TimeFormatter;
use Linnet\Core\Check\Question;
use Linnet\Core\Text\Bounds;
use Linnet\Core\Text\Length;
use Linnet\Core\Text\Template\Template;

/** How long the words of a text are over all whom its rule reaches today. */
final readonly class Spread
{
    /** @param  Question  $of  the rule, with those it reaches */
    public function __construct(private Question $of)
    {
    }

    /** @param  bool  $first  it is the first text, which says who it is from */
    public function bounds(Template $words, bool $first): ?Bounds
    {
        /** @var array<string, array{Length, int}> $lengths */
        $lengths = [];
        $lacking = 0;
        foreach ($this->of->lengths($words, $first) as $length) {
            if ($length === null) {
                $lacking++;

                continue;
            }
            $key = "$length->units/$length->parts";
            $lengths[$key] = [$length, ($lengths[$key][1] ?? 0) + 1];
        }

        return Bounds::of(array_values($lengths), $lacking);
    }

    /** "for 59 it reaches: 121 to 157 characters, half within 138; 1 part, 2 parts for 12" */
    public static function says(Bounds $bounds, string $whom = 'it reaches today'): string
    {
        $parts = fn (int $many): string => TimeFormatter::count($many, 'part', 'parts');

        return 'for the '.
            number_format($bounds->people).
            " $whom: $bounds->shortest".
            ($bounds->longest === $bounds->shortest
                ? ' characters'
                : " to $bounds->longest characters, half of them up to $bounds->median").
            ", {$parts($bounds->fewest)}".
            ($bounds->over === 0
                ? ''
                : ', '.
                    number_format($bounds->over).
                    ' of them '.
                    ($bounds->most === $bounds->fewest + 1 ? '' : 'up to ').
                    $parts($bounds->most)).
            ($bounds->lacking === 0 ? '' : '; something is missing for '.number_format($bounds->lacking));
    }
}
