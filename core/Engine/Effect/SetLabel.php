<?php

declare(strict_types=1);

namespace Linnet\Core\Engine\Effect;

use Linnet\Core\Record\Change\LabelKind;

final readonly class SetLabel implements Effect
{
    public function __construct(public LabelKind $kind, public string $label, public bool $added)
    {
    }
}
