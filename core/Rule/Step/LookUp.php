<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;

/** Asks what kind of line the person's number is and whether it is alive, unless that is known from the last days. */
final readonly class LookUp implements Step
{
    public function __construct(public string $id, public int $rememberDays)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('id', 'do', 'remember_days');

        return new self($doc->name('id'), $doc->integer('remember_days', 1, 365));
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toDocument(): array
    {
        return ['id' => $this->id, 'do' => 'look_up_number', 'remember_days' => $this->rememberDays];
    }
}
