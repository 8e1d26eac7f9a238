<?php

declare(strict_types=1);

namespace Linnet\Core\Engine\Effect;

use Linnet\Core\Rule\Step\WhichRecord;

final readonly class SetFields implements Effect
{
    /**
     * @param  array<string, scalar|null>  $values  by path: person.town, deal.stage
     * @param  WhichRecord|null  $record  of the person's records; null for the one the run is about
     */
    public function __construct(public string $name, public array $values, public ?WhichRecord $record = null)
    {
    }
}
