<?php

declare(strict_types=1);

namespace Linnet\Core\Prose;

/** A rule's text by its indentation: each sentence with the words below it and the sentences inside it. */
final class Outline
{
    /** A list of conditions stands on lines of its own. */
    private const LIST = '/\bof these:\s*$/iDu';

    /** @var list<OutlineLine> */
    private array $lines;

    private int $at = 0;

    private function __construct(string $text)
    {
        $this->lines = [];
        // Files of other systems end every line with two signs.
        $text = preg_match('/(?<!\r)\n/', $text) === 1 ? $text : str_replace("\r\n", "\n", $text);
        foreach (explode("\n", $text) as $i => $raw) {
            $line = OutlineLine::of($raw, $i + 1);
            if ($line !== null) {
                $this->lines[] = $line;
            }
        }
    }

    /** @return list<OutlineNode> */
    public static function of(string $text): array
    {
        return (new self($text))->nodes(-1);
    }

    /** @return list<OutlineNode> those that stand deeper than an indentation */
    private function nodes(int $above): array
    {
        $nodes = [];
        while (isset($this->lines[$this->at]) && $this->lines[$this->at]->indent > $above) {
            $nodes[] = $this->node();
        }

        return $nodes;
    }

    private function node(): OutlineNode
    {
        $first = $this->lines[$this->at++];
        if ($first->isWords) {
            // Words with no sentence above them.
            return new OutlineNode('', [[0, $first->number, $first->column]], [$first->text, ...$this->words()], $first->number, []);
        }
        [$sentence, $places] = $this->sentence($first);
        $number = $this->lines[$this->at]->number ?? $first->number;
        $words = $this->words();

        return new OutlineNode($sentence, $places, $words === [] ? null : $words, $number, $this->nodes($first->indent));
    }

    /**
     * A sentence that is not at its end goes on on deeper lines.
     *
     * @return array{string, list<array{int, int, int}>} and where its pieces stand: the byte at which each begins, its line, its column
     */
    private function sentence(OutlineLine $first): array
    {
        [$sentence, $places] = [$first->text, [[0, $first->number, $first->column]]];
        while (($next = $this->lines[$this->at] ?? null) !== null && ! $next->isWords && $next->indent > $first->indent) {
            if (preg_match(self::LIST, $sentence) === 1) {
                [$sentence, $places] = $this->items($sentence, $places, $next->indent);

                continue;
            }
            if (preg_match('/[.:]\s*$/D', $sentence) === 1) {
                break;
            }
            $this->at++;
            $places[] = [strlen($sentence) + 1, $next->number, $next->column];
            $sentence .= " $next->text";
        }

        return [$sentence, $places];
    }

    /**
     * The lines of a list of conditions, joined as they stand in one line.
     *
     * @param  list<array{int, int, int}>  $places
     * @return array{string, list<array{int, int, int}>}
     */
    private function items(string $sentence, array $places, int $indent): array
    {
        $many = 0;
        $ends = '';
        while (($item = $this->lines[$this->at] ?? null) !== null && ! $item->isWords && $item->indent >= $indent && $ends === '') {
            [$text, $inner] = $this->sentenceOfItem($item);
            if (preg_match('/:\s*$/D', $text) === 1) {
                $ends = ':';
                $text = rtrim(rtrim($text), ':');
            }
            $join = $many++ === 0 ? ' ' : '; ';
            foreach ($inner as [$byte, $line, $column]) {
                $places[] = [strlen($sentence.$join) + $byte, $line, $column];
            }
            $sentence .= $join.$text;
        }

        return [$sentence.$ends, $places];
    }

    /** @return array{string, list<array{int, int, int}>} */
    private function sentenceOfItem(OutlineLine $item): array
    {
        $this->at++;
        if (preg_match(self::LIST, $item->text) !== 1 || ($this->lines[$this->at]->indent ?? -1) <= $item->indent) {
            return [rtrim($item->text, '.'), [[0, $item->number, $item->column]]];
        }
        [$text, $places] = $this->items('('.$item->text, [[0, $item->number, $item->column - 1]], $this->lines[$this->at]->indent);

        return [str_ends_with($text, ':') ? substr($text, 0, -1).'):' : "$text)", $places];
    }

    /** @return list<string> */
    private function words(): array
    {
        $words = [];
        while (isset($this->lines[$this->at]) && $this->lines[$this->at]->isWords) {
            $words[] = $this->lines[$this->at++]->text;
        }

        return $words;
    }
}
