<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;

/** The run is over, with what came of it. */
final readonly class End implements Step
{
    public function __construct(public string $id, public string $outcome)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('id', 'do', 'outcome');

        return new self($doc->name('id'), $doc->text('outcome', 60));
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toDocument(): array
    {
        return ['id' => $this->id, 'do' => 'end', 'outcome' => $this->outcome];
    }
}
