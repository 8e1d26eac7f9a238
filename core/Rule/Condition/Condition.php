<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Condition;

use Linnet\Core\Rule\RuleContext;

/**
 * A test that answers for itself.
 *
 * @phpstan-sealed Group|FieldTest|OpeningHours|Replied|Labelled|Consented|Reached|HasRelated|HadText|InAudience
 */
interface Condition
{
    public function weigh(RuleContext $context): Weighed;

    /** @return array<string, mixed> */
    public function toDocument(): array;
}
