<?php

declare(strict_types=1);

namespace App\Rules;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Rule\Rule;

/** A rule in which one text says certain words, whatever its wordings are: for trying them while they are typed. */
final class TriedWords
{
    /** @throws Unreadable */
    public static function in(Rule $rule, string $step, string $words): Rule
    {
        $document = $rule->toDocument();
        $document['steps'] = self::steps($document['steps'] ?? [], $step, $words);

        return Rule::read(Doc::of($document));
    }

    private static function steps(mixed $steps, string $id, string $words): mixed
    {
        if (! is_array($steps)) {
            return $steps;
        }
        foreach ($steps as $key => $one) {
            $steps[$key] = is_array($one) && ($one['id'] ?? null) === $id && isset($one['do'])
                ? ['wordings' => [['id' => 'tried', 'text' => $words]]] + array_diff_key($one, ['pool' => 1, 'turns' => 1, 'closing' => 1])
                : self::steps($one, $id, $words);
        }

        return $steps;
    }
}
