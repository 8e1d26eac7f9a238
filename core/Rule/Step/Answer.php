<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;
use Linnet\Core\Text\Words\Keywords;

/** One of the answers a question expects. */
final readonly class Answer
{
    /** @param  list<Step>  $steps  what is done then */
    public function __construct(public string $label, public Keywords $keywords, public array $steps)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('label', 'words', 'match', 'forgive_typos', 'steps');
        /** @var array{string, Keywords, list<Step>} $read */
        $read = $doc->gather([
            fn (): string => $doc->text('label', 60),
            fn (): Keywords => Keywords::read($doc),
            fn (): array => $doc->has('steps') ? $doc->each('steps', Steps::read(...), 0, 100) : [],
        ]);

        return new self(...$read);
    }

    /** @return array<string, mixed> */
    public function toDocument(): array
    {
        return ['label' => $this->label] +
            $this->keywords->toDocument() +
            ($this->steps === [] ? [] : ['steps' => Steps::toDocument($this->steps)]);
    }
}
