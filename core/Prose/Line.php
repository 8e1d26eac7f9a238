<?php

declare(strict_types=1);

namespace Linnet\Core\Prose;

/** A line of a rule's text: a sentence, what it holds, and where it stands. */
final readonly class Line
{
    /**
     * @param  LineKind  $kind  what sort of sentence it is
     * @param  int  $depth  how far it is indented
     * @param  list<Part>  $parts  without its last sign
     * @param  bool  $opens  a block or words follow it
     * @param  string|null  $words  the words below it
     * @param  string  $path  the place of what it says in the rule's document
     * @param  list<string>  $steps  the ids of the steps it says
     * @param  string|null  $letter  of its text
     */
    public function __construct(
        public LineKind $kind,
        public int $depth,
        public array $parts,
        public bool $opens = false,
        public ?string $words = null,
        public string $path = '$',
        public array $steps = [],
        public ?string $letter = null,
    ) {
    }

    /** The sentence with its last sign. */
    public function sentence(): string
    {
        $sentence = Part::join($this->parts);

        return $sentence.($this->opens ? ':' : (preg_match('/[.?]"$/D', $sentence) === 1 ? '' : '.'));
    }

    /** As it stands in a file, the words below it included. */
    public function text(): string
    {
        $indent = str_repeat('  ', $this->depth);
        $text = $indent.($this->kind->isCapital() ? self::capital($this->sentence()) : $this->sentence())."\n";
        foreach ($this->words === null ? [] : explode("\n", $this->words) as $line) {
            $text .= rtrim("$indent  | $line", $line === '' ? ' ' : '')."\n";
        }

        return $text;
    }

    public static function capital(string $sentence): string
    {
        return mb_strtoupper(mb_substr($sentence, 0, 1, 'UTF-8'), 'UTF-8').mb_substr($sentence, 1, null, 'UTF-8');
    }
}
