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

    /**
     * @param  list<string>  $lines  keys of the lines it listens on; all of them if empty
     * @param  bool  $onlyWhenNoQuestion  it keeps still while a rule waits for this person's answer
     */
    public function __construct(public Keywords $keywords, public array $lines, public bool $onlyWhenNoQuestion)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('on', 'words', 'match', 'forgive_typos', 'lines', 'only_when_no_question');

        return new self(
            Keywords::read($doc),
            $doc->has('lines') ? $doc->texts('lines', 1, 50, 60) : [],
            $doc->has('only_when_no_question') && $doc->yesNo('only_when_no_question'),
        );
    }

    public function listensOn(string $line): bool
    {
        return $this->lines === [] || in_array($line, $this->lines, true);
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
        return ['on' => 'text_received'] + $this->keywords->toDocument() + ($this->lines === [] ? [] : ['lines' => $this->lines])
            + ($this->onlyWhenNoQuestion ? ['only_when_no_question' => true] : []);
    }
}
