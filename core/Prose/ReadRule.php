<?php

declare(strict_types=1);

namespace Linnet\Core\Prose;

use Linnet\Core\Rule\Rule;

/** A rule's text as it was read. */
final readonly class ReadRule
{
    /**
     * @param  Rule|null  $rule  null where anything could not be understood
     * @param  list<ProseError>  $errors  in the order of their lines
     */
    public function __construct(public ?Rule $rule, public array $errors)
    {
    }
}
