<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Time\Span;

/** Something for the staff to do. */
final readonly class MakeTask implements Step
{
    /**
     * @param  Recipient|null  $for  whose it is; null for whoever takes it
     * @param  Span|null  $due  how long from then
     */
    public function __construct(public string $id, public Template $words, public ?Recipient $for, public ?Span $due)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('id', 'do', 'words', 'for', 'due');
        /** @var array{string, Template, Recipient|null, Span|null} $read */
        $read = $doc->gather([
            fn (): string => $doc->name('id'),
            fn (): Template => Template::read($doc, 'words', 1000),
            fn (): ?Recipient => $doc->has('for') ? Recipient::read($doc->object('for')) : null,
            fn (): ?Span => $doc->has('due') ? Span::under($doc, 'due') : null,
        ]);

        return new self(...$read);
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toDocument(): array
    {
        return ['id' => $this->id, 'do' => 'task', 'words' => $this->words->source]
            + ($this->for === null ? [] : ['for' => $this->for->toDocument()])
            + ($this->due === null ? [] : ['due' => $this->due->toDocument()]);
    }
}
