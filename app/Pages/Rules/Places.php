<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use Linnet\Core\Prose\Language;
use Linnet\Core\Prose\ProseError;
use Linnet\Core\Prose\Sentences;
use Linnet\Core\Rule\Rule;

/** The kinds of sentence that one line may take, each with how deep it stands then, as the page names them: "steps:2,answer:1". */
final class Places
{
    public const PATTERN = '/^(beginning|steps|branch|case|answer|wording|closing|what if)(:\d{1,2})?(,(beginning|steps|branch|case|answer|wording|closing|what if)(:\d{1,2})?)*$/D';

    /** @return array<string, int> depth by kind, the place's own first */
    public static function of(string $written): array
    {
        $places = [];
        foreach (array_filter(explode(',', $written)) as $one) {
            [$which, $depth] = [...explode(':', $one), '1'];
            $places[$which] = (int) $depth;
        }

        return $places;
    }

    /** How deep a sentence stands at a place: by the first of its kinds as which it can be read. */
    public static function depthFor(Language $language, Rule $rule, string $written, string $text): ?int
    {
        $on = $rule->trigger->toDocument()['on'] ?? '';
        $sentence = preg_replace('/[\s.:]+$/uD', '', trim(explode("\n", $text)[0])) ?? '';
        foreach (self::of($written) as $which => $depth) {
            if (
                ! (
                    Sentences::read($language->line($rule->trigger->type(), is_string($on)
                        ? $on
                        : '', $which), $sentence) instanceof ProseError
                )
            ) {
                return $depth;
            }
        }

        return null;
    }
}
