<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

/** A step that sends a text. */
interface Texting
{
    public function id(): string;

    public function outgoing(): Outgoing;
}
