<?php

declare(strict_types=1);

namespace App\Pages\Rules;

/** A place between sentences where another can be written. */
final readonly class Gap
{
    /**
     * @param  int  $before  the line it comes to stand before
     * @param  string  $which  what can stand there: "steps", "branch", "answer", "wording" or "closing"
     * @param  array<string, int>  $also  what else can stand at the same line, with how deep it stands then
     */
    public function __construct(public int $before, public int $depth, public string $which, public array $also = [])
    {
    }

    /** All that can be written here, this place's own first. */
    public function kinds(): string
    {
        return implode(
            ',',
            array_map(
                fn (string $which, int $depth): string => "$which:$depth",
                [$this->which, ...array_keys($this->also)],
                [$this->depth, ...array_values($this->also)],
            ),
        );
    }

    public function id(): string
    {
        return "$this->before-$this->depth-$this->which";
    }

    /** What the place is called, for those who do not see it. */
    public function says(): string
    {
        return match ($this->which) {
            'answer' => 'Write another answer here',
            'wording' => 'Write another wording here',
            'closing' => 'Write another closing sentence here',
            default => 'Write a sentence here',
        };
    }
}
