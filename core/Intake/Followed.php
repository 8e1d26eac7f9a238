<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

use Linnet\Core\Reason;

/** A value on its way from what came to what its field keeps. */
final readonly class Followed
{
    /**
     * @param  list<mixed>  $after  what it was after each step, as far as it got; a list that was folded comes first
     * @param  scalar|null  $value  as the field keeps it
     * @param  Reason|null  $refused  why it got no further
     */
    public function __construct(public mixed $raw, public array $after, public string|int|float|bool|null $value, public ?Reason $refused)
    {
    }
}
