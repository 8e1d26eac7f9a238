<?php

declare(strict_types=1);

namespace Linnet\Core\Engine\Effect;

final readonly class SetFields implements Effect
{
    /** @param  array<string, scalar|null>  $values  by path: person.town, deal.stage */
    public function __construct(public string $name, public array $values)
    {
    }
}
