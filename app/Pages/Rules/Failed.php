<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use App\Models\RuleEdit;
use App\Sentences\Sentence;
use Linnet\Core\Prose\ProseError;

/** What somebody wanted to write and could not, kept as they typed it. */
final readonly class Failed
{
    /**
     * @param  string  $do  what was to be done
     * @param  int|null  $line  where that is now; null where the place is gone
     * @param  list<ProseError>  $errors
     * @param  list<RuleEdit>  $others  who changed the same place meanwhile
     */
    public function __construct(
        public string $do,
        public ?int $line,
        public int $depth,
        public string $text,
        public array $errors,
        public array $others,
    ) {
    }

    public function isAt(Gap|WrittenLine $place): bool
    {
        return $place instanceof Gap
            ? $this->do === 'insert' && $place->before === $this->line && $place->depth === $this->depth
            : in_array($this->do, ['rewrite', 'word'], true) && $place->number === $this->line;
    }

    public function isOfWords(WrittenLine $line): bool
    {
        return $this->do === 'words' && $line->number === $this->line;
    }

    /**
     * Whether its place is still there; where it is not, what was typed is shown above all of them.
     *
     * @param  array<int, WrittenLine>  $lines
     */
    public function hasPlace(array $lines): bool
    {
        foreach ($lines as $line) {
            if (
                $this->isAt($line) ||
                ($this->isOfWords($line) && $line->line->words !== null) ||
                array_filter($line->gaps, $this->isAt(...)) !== []
            ) {
                return true;
            }
        }

        return false;
    }

    /** Why, in sentences. */
    public function says(): string
    {
        if ($this->others !== []) {
            $last = $this->others[count($this->others) - 1];

            return ($last->staff->name ?? 'Somebody').
                " changed the same place meanwhile: $last->says. What stands there now is theirs. Keep it, or write yours once more over it.";
        }

        return implode(' ', array_map(fn (ProseError $error): string => Sentence::of($error->reason), array_slice($this->errors, 0, 3)));
    }
}
