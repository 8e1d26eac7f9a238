<?php

declare(strict_types=1);

namespace App\Pages\Keywords;

use App\Models\Rule;
use Linnet\Core\Rule\Trigger\Listens;
use Linnet\Core\Text\Words\WordPosition;

/** A rule that listens for words. */
final readonly class KeywordRow
{
    /**
     * @param  bool  $isPublished  it has been published once: what is listed is what it listens for
     * @param  int  $begun  how often it began of late
     * @param  list<string>  $lines  names of the lines it listens on; empty for all
     * @param  list<array{Rule, list<string>}>  $shared  other rules that listen for some of its words on a line of both
     */
    public function __construct(
        public Rule $rule,
        public Listens $listens,
        public bool $isPublished,
        public int $begun,
        public array $lines,
        public array $shared,
    ) {
    }

    /** "the whole text, a slip of the finger forgiven" */
    public function how(): string
    {
        return match ($this->listens->keywords->fit) {
            WordPosition::Whole => 'the whole text',
            WordPosition::First => 'the first word',
            WordPosition::Anywhere => 'anywhere in a text',
        }.($this->listens->keywords->forgiving ? ', a slip of the finger forgiven' : '')
            .($this->listens->onlyWhenNoQuestion ? ', unless a question is open' : '');
    }
}
