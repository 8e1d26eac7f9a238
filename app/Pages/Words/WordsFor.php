<?php

declare(strict_types=1);

namespace App\Pages\Words;

use Linnet\Core\Prose\Vocabulary\Vocabulary;
use Linnet\Core\Text\Template\Node\Node;

/** What words are written about, and for whom: what may be filled in, and what each comes to for the one they are tried on. */
interface WordsFor
{
    public function vocabulary(): Vocabulary;

    public function tokens(): Tokens;

    /** @return list<string> the record types whose fields may be named, the person's own apart */
    public function types(): array;

    /** Short links and codes are told apart by the text they left in: only rules have those. */
    public function hasLinks(): bool;

    /** Whom they are tried on; null where there is nobody yet. */
    public function who(): ?string;

    /** What is filled in for them; empty where there is nothing to say. */
    public function result(Node $node): string;
}
