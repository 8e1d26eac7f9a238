<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Trigger;

use Linnet\Core\Document\Doc;
use Linnet\Core\Record\Change;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Text\Words\Keywords;

/** Somebody texts one of the rule's words. */
final readonly class TextReceived implements Trigger
{
    use ByChange;

    public function __construct(private Listens $listens)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('on', 'words', 'match', 'forgive_typos', 'lines', 'only_when_no_question');

        return new self(
            new Listens(
                Keywords::read($doc),
                $doc->has('lines') ? $doc->texts('lines', 1, 50, 60) : [],
                $doc->has('only_when_no_question') && $doc->yesNo('only_when_no_question'),
            ),
        );
    }

    public function listens(): Listens
    {
        return $this->listens;
    }

    public function names(): array
    {
        return array_map(fn (string $line): array => ['line', $line], $this->listens->lines);
    }

    public function meets(Change\Change $change, string $ruleId): bool
    {
        return $change instanceof Change\TextReceived && $change->ruleId === $ruleId;
    }

    public function type(): string
    {
        return RecordType::PERSON;
    }

    public function toDocument(): array
    {
        return ['on' => 'text_received'] + $this->listens->keywords->toDocument()
            + ($this->listens->lines === [] ? [] : ['lines' => $this->listens->lines])
            + ($this->listens->onlyWhenNoQuestion ? ['only_when_no_question' => true] : []);
    }
}
