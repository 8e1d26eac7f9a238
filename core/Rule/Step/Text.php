<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;

/** A text. */
final readonly class Text implements Step, Texting
{
    public function __construct(public string $id, public Outgoing $outgoing)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('id', 'do', ...Outgoing::KEYS);
        /** @var array{string, Outgoing} $read */
        $read = $doc->gather([fn (): string => $doc->name('id'), fn (): Outgoing => Outgoing::read($doc)]);

        return new self(...$read);
    }

    public function id(): string
    {
        return $this->id;
    }

    public function outgoing(): Outgoing
    {
        return $this->outgoing;
    }

    public function toDocument(): array
    {
        return ['id' => $this->id, 'do' => 'text'] + $this->outgoing->toDocument();
    }
}
