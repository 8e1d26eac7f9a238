<?php

declare(strict_types=1);

namespace Linnet\Core\Prose;

/** A sentence as it stands in a rule's text, with what belongs to it. */
final readonly class OutlineNode
{
    /**
     * @param  list<array{int, int, int}>  $places  where its pieces stand: the byte at which each begins, its line, its column
     * @param  list<string>|null  $words  the lines below it that hold words
     * @param  int  $wordsLine  the first of them
     * @param  list<self>  $inside
     */
    public function __construct(
        public string $sentence,
        public array $places,
        public ?array $words,
        public int $wordsLine,
        public array $inside,
    ) {
    }

    public function line(): int
    {
        return $this->places[0][1];
    }

    public function column(): int
    {
        return $this->places[0][2];
    }

    public function opens(): bool
    {
        return preg_match('/:\s*$/D', $this->sentence) === 1;
    }

    /**
     * Its sentences, without their last signs, each with the byte at which it begins.
     *
     * @return list<array{string, int}>
     */
    public function sentences(): array
    {
        $sentences = [];
        $from = 0;
        foreach (Token::all($this->sentence) as $token) {
            if ($token->text === '.') {
                $sentences[] = [substr($this->sentence, $from, $token->start - $from), $from];
                $from = $token->end;
            }
        }
        $last = preg_replace('/:\s*$/D', '', substr($this->sentence, $from)) ?? '';
        $sentences[] = [$last, $from];
        $there = array_values(array_filter($sentences, fn (array $one): bool => trim($one[0]) !== ''));

        return $there === [] ? [['', 0]] : $there;
    }

    /** An error in one of its sentences, at its place in the text. */
    public function located(ProseError $error, int $from): ProseError
    {
        $byte = $from + strlen(mb_substr(substr($this->sentence, $from), 0, $error->column - 1, 'UTF-8'));
        [$start, $line, $column] = $this->places[0];
        foreach ($this->places as $place) {
            if ($place[0] <= $byte) {
                [$start, $line, $column] = $place;
            }
        }

        return $error->at($line, $column + mb_strlen(substr($this->sentence, $start, $byte - $start), 'UTF-8'));
    }
}
