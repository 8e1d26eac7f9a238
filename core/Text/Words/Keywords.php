<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Words;

use Linnet\Core\Document\Doc;

/** Words a rule or an answer listens for. */
final readonly class Keywords
{
    /**
     * @param  non-empty-list<string>  $words  as they were written; each one word or several
     * @param  bool  $forgiving  one slip of the finger is forgiven in words of five letters or more
     */
    private function __construct(public array $words, public WordPosition $fit, public bool $forgiving)
    {
    }

    /** Reads "words", "match" (whole if missing) and "forgive_typos" (no if missing) of an object. */
    public static function read(Doc $doc): self
    {
        /** @var non-empty-list<string> $words */
        $words = $doc->each('words', fn (Doc $word): string => $word->self(
            fn (mixed $v): ?string => is_string($v) && Folded::of($v) !== '' && mb_strlen($v, 'UTF-8') <= 60 ? $v : null, 'word_expected',
        ), 1, 100);

        return new self(
            $words,
            $doc->has('match') ? $doc->choice('match', WordPosition::class) : WordPosition::Whole,
            $doc->has('forgive_typos') && $doc->yesNo('forgive_typos'),
        );
    }

    /** What follows the word, or "" where nothing does; null where none of the words is there. */
    public function remark(string $text): ?string
    {
        $folded = Folded::of($text);
        $said = $folded === '' ? [] : explode(' ', $folded);
        foreach ($this->words as $word) {
            $wanted = explode(' ', Folded::of($word));
            $places = match ($this->fit) {
                WordPosition::Whole => count($said) === count($wanted) ? [0] : [],
                WordPosition::First => count($said) >= count($wanted) ? [0] : [],
                WordPosition::Anywhere => count($said) >= count($wanted) ? range(0, count($said) - count($wanted)) : [],
            };
            foreach ($places as $place) {
                if ($this->standsAt($said, $place, $wanted)) {
                    return $this->fit === WordPosition::First ? self::rest($text, count($wanted)) : '';
                }
            }
        }

        return null;
    }

    /**
     * The words that both listen for, folded.
     *
     * @return list<string>
     */
    public function shared(self $other): array
    {
        return array_values(array_intersect(array_map(Folded::of(...), $this->words), array_map(Folded::of(...), $other->words)));
    }

    /** @return array<string, mixed> */
    public function toDocument(): array
    {
        return ['words' => $this->words] +
            ($this->fit === WordPosition::Whole ? [] : ['match' => $this->fit->value]) +
            ($this->forgiving ? ['forgive_typos' => true] : []);
    }

    /**
     * @param  list<string>  $said
     * @param  list<string>  $wanted
     */
    private function standsAt(array $said, int $place, array $wanted): bool
    {
        foreach ($wanted as $i => $word) {
            // Inside a text, words carry their commas.
            $there = preg_replace('/^[^\p{L}\p{N}]+|[^\p{L}\p{N}]+$/u', '', $said[$place + $i]) ?? '';
            if (! Folded::same($there, $word, $this->forgiving)) {
                return false;
            }
        }

        return true;
    }

    /** What follows so many words, as it was written. */
    private static function rest(string $text, int $words): string
    {
        $parts = preg_split('/[\s\p{Z}]+/u', trim(preg_replace('/^[^\p{L}\p{N}]+/u', '', $text) ?? $text)) ?: [];

        return trim(implode(' ', array_slice($parts, $words)));
    }
}
