<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Condition;

use Linnet\Core\Engine\Situation;

/**
 * A test that answers for itself.
 *
 * @phpstan-sealed Group|FieldTest|Opening|Replied|Labelled|Consented|Reached|HasRelated|HadText
 */
interface Condition
{
    public function weigh(Situation $situation): Weighed;

    /** @return array<string, mixed> */
    public function toDocument(): array;
}
