<?php

declare(strict_types=1);

namespace App\Pages\Today;

use App\Models\Message;
use App\Models\Person;
use App\Models\Rule;

/** One thing that is due later today: a text that is held, or the next look at a run. */
final readonly class Coming
{
    public function __construct(public \DateTimeImmutable $at, public Person $person, public ?Rule $rule, public ?Message $held)
    {
    }
}
