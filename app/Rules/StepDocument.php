<?php

declare(strict_types=1);

namespace App\Rules;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Rule\Rule;

/** One step of a rule's document, wherever it is nested. */
final class StepDocument
{
    /**
     * The rule with that step put otherwise.
     *
     * @param  \Closure(array<array-key, mixed>): array<array-key, mixed>  $put
     *
     * @throws Unreadable
     */
    public static function replace(Rule $rule, string $id, \Closure $put): Rule
    {
        $document = $rule->toDocument();
        $document['steps'] = self::within($document['steps'] ?? [], $id, $put);

        return Rule::read(Doc::of($document));
    }

    private static function within(mixed $steps, string $id, \Closure $put): mixed
    {
        if (! is_array($steps)) {
            return $steps;
        }
        foreach ($steps as $key => $one) {
            $steps[$key] = is_array($one) && ($one['id'] ?? null) === $id && isset($one['do']) ? $put($one) : self::within($one, $id, $put);
        }

        return $steps;
    }
}
