<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Words;

/** What a text was taken for, and by whom. */
final readonly class Heard
{
    /**
     * @param  string|null  $question  the open question it was put to
     * @param  int|null  $answer  which of its answers; null where none fits
     * @param  string|null  $rule  the keyword rule it starts
     * @param  string  $remark  what follows the word
     */
    public function __construct(
        public Meaning $meaning,
        public ?string $question = null,
        public ?int $answer = null,
        public ?string $rule = null,
        public string $remark = '',
    ) {
    }
}
