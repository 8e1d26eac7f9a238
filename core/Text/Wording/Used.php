<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Wording;

/** How often the wordings of one text, or of one shared pool, were used. */
final readonly class Used
{
    /**
     * @param  array<string, int>  $times  by wording, over everybody
     * @param  array<string, int>  $byPerson  by wording, for this person
     */
    public function __construct(public array $times = [], public array $byPerson = [])
    {
    }
}
