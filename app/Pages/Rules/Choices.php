<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use Linnet\Core\Prose\Part;
use Linnet\Core\Prose\ProseError;
use Linnet\Core\Prose\Sentences;

/** What can stand in the place of a word: whatever may come next there and lets the rest of the sentence stand. */
final readonly class Choices
{
    private const MOST = 60;

    public function __construct(private RulePage $page)
    {
    }

    /**
     * @param  array{part: Part, space: string, said: string, before: string, after: string}  $piece
     * @return list<string> the words; the one that stands there among them
     */
    public function of(WrittenLine $line, array $piece): array
    {
        $writing = $this->page->writing;
        $phrase = $writing->language->line($writing->type(), $writing->on(), $line->which());
        $choices = [];
        foreach (Sentences::complete($phrase, $piece['before']) as $one) {
            if (
                $one->words !== '' &&
                count($choices) < self::MOST &&
                ! in_array($one->words, $choices, true) &&
                ! (Sentences::read($phrase, $piece['before'].$one->words.$piece['after']) instanceof ProseError)
            ) {
                $choices[] = $one->words;
            }
        }

        return $choices;
    }
}
