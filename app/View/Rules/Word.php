<?php

declare(strict_types=1);

namespace App\View\Rules;

/** A word of a rule's prose that can be changed in place. */
final readonly class Word
{
    /**
     * @param  string  $says  as it stands in the sentence
     * @param  string  $part  what of the rule it changes
     * @param  string|null  $step  of which step, if of one
     * @param  string  $ask  what the change is called
     * @param  array<string, string>  $choices  by value; empty where a number or time is typed
     * @param  array<string, string|int>  $values  what stands now, by field
     */
    public function __construct(
        public string $says,
        public string $part,
        public ?string $step,
        public string $ask,
        public array $choices,
        public array $values,
    ) {
    }

    public function place(): string
    {
        return $this->part.($this->step === null ? '' : "-$this->step");
    }
}
