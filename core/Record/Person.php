<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

use Linnet\Core\Number\Numbers;

/** Someone who can be texted. */
final readonly class Person
{
    /**
     * @param  array<string, mixed>  $own  their fields by key, first_name, last_name and email among them
     * @param  list<PersonNumber>  $numbers  the preferred one first
     * @param  string|null  $zone  set by hand
     * @param  list<string>  $tags
     * @param  list<string>  $lists
     * @param  string|null  $line  the key of the line their conversation is locked to
     * @param  PersonNumber|null  $newest  the number that became known last
     */
    public function __construct(
        public int $id,
        public string $called,
        public array $own,
        public array $numbers = [],
        public ?string $zone = null,
        public ?string $locale = null,
        public array $tags = [],
        public array $lists = [],
        public ?PersonNumber $newest = null,
        public ?string $line = null,
    ) {
    }

    /**
     * What they are called where their name is known in part or not at all.
     *
     * @param  list<PersonNumber>  $numbers
     */
    public static function nameFor(?string $first, ?string $last, array $numbers): string
    {
        return match (true) {
            (string) $first !== '' => (string) $first,
            (string) $last !== '' => (string) $last,
            default => $numbers === [] ? 'Somebody with no name' : Numbers::pretty($numbers[0]->e164),
        };
    }

    /**
     * As they are once something of theirs is otherwise.
     *
     * @param  array<string, mixed>  $to  by field; zone and locale among them
     * @param  PersonNumber|null  $new  one more number
     */
    public function becoming(array $to, ?PersonNumber $new = null): self
    {
        $own = [...$this->own, ...array_diff_key($to, ['zone' => 1, 'locale' => 1])];
        $numbers = $new === null ? $this->numbers : [...$this->numbers, $new];
        usort($numbers, fn (PersonNumber $a, PersonNumber $b): int => $b->rank <=> $a->rank);
        $text = fn (mixed $value): ?string => is_string($value) ? $value : null;

        return new self(
            $this->id, self::nameFor($text($own['first_name'] ?? null), $text($own['last_name'] ?? null), $numbers), $own, $numbers,
            array_key_exists('zone', $to) ? $text($to['zone']) : $this->zone,
            array_key_exists('locale', $to) ? $text($to['locale']) : $this->locale,
            $this->tags, $this->lists, $new ?? $this->newest, $this->line,
        );
    }

    /** @param  array<string, mixed>  $changed  by property */
    public function with(array $changed): self
    {
        /** @phpstan-ignore argument.type */
        return new self(...[...get_object_vars($this), ...$changed]);
    }

    /**
     * The one somebody writes to by hand, where they do not say: the one last used, else the first that takes texts, else the preferred.
     * Whether it said stop is not asked: nobody gets round a stop by writing to another number unawares.
     */
    public function numberByHand(?string $lastUsed): ?PersonNumber
    {
        $takes = array_filter($this->numbers, fn (PersonNumber $number): bool => $number->takesTexts());

        return $this->number($lastUsed) ?? array_values($takes)[0] ?? $this->numbers[0] ?? null;
    }

    public function number(?string $e164): ?PersonNumber
    {
        foreach ($this->numbers as $number) {
            if ($number->e164 === $e164) {
                return $number;
            }
        }

        return null;
    }
}
