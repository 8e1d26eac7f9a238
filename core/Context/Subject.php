<?php

declare(strict_types=1);

namespace Linnet\Core\Context;

/** Whom and what a run is about. */
final readonly class Subject
{
    /**
     * @param  int|null  $personId  null where nobody is known
     * @param  int|null  $recordId  null where it is about the person alone
     * @param  \DateTimeImmutable|null  $startsAt  when the record happens, if it happens at a time
     */
    public function __construct(public ?int $personId, public ?int $recordId = null, public ?\DateTimeImmutable $startsAt = null)
    {
    }

    /** One word for it, such as record:12. */
    public function name(): string
    {
        return $this->recordId === null ? 'person:'.($this->personId ?? '?') : "record:$this->recordId";
    }
}
