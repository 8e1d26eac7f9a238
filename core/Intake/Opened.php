<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

/** A delivery's body, opened: a tree of values, and the name its sender gave the message, if it did. */
final readonly class Opened
{
    public function __construct(public mixed $tree, public ?string $messageId)
    {
    }
}
