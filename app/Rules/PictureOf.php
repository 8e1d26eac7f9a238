<?php

declare(strict_types=1);

namespace App\Rules;

use Linnet\Core\Document\Doc;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\Step\Texting;

/** A rule with another picture for one of its texts. */
final class PictureOf
{
    /** @return Rule|null null where it has no such text */
    public static function step(Rule $rule, string $id, ?string $address): ?Rule
    {
        if (! $rule->flow->step($id) instanceof Texting) {
            return null;
        }
        $document = $rule->toDocument();
        $document['steps'] = self::steps($document['steps'] ?? [], $id, $address);

        return Rule::read(Doc::of($document));
    }

    private static function steps(mixed $steps, string $id, ?string $address): mixed
    {
        if (! is_array($steps)) {
            return $steps;
        }
        foreach ($steps as $key => $one) {
            $steps[$key] = is_array($one) && ($one['id'] ?? null) === $id && isset($one['do'])
                ? ($address === null ? [] : ['picture' => $address]) + array_diff_key($one, ['picture' => 1])
                : self::steps($one, $id, $address);
        }

        return $steps;
    }
}
