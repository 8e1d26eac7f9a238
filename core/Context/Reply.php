<?php

declare(strict_types=1);

namespace Linnet\Core\Context;

/** A text that was put to a run's open question. */
final readonly class Reply
{
    /**
     * @param  int  $id  grows with each text that comes in
     * @param  int|null  $answer  which of the answers it is; null where it fits none
     */
    public function __construct(
        public int $id,
        public \DateTimeImmutable $at,
        public string $text,
        public ?int $answer,
        public string $remark = '',
    ) {
    }
}
