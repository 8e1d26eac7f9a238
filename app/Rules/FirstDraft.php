<?php

declare(strict_types=1);

namespace App\Rules;

use Linnet\Core\Prose\Grammar\Triggers;
use Linnet\Core\Prose\Language;
use Linnet\Core\Prose\Line;
use Linnet\Core\Prose\ProseError;
use Linnet\Core\Prose\ReadRule;
use Linnet\Core\Prose\RuleReader;
use Linnet\Core\Prose\Sentences;

/** A rule out of its first sentence, with a text to begin with; or out of the sentences of a whole one. */
final class FirstDraft
{
    public static function of(Language $language, string $text, string $name): ReadRule
    {
        $lines = array_values(array_filter(explode("\n", $text), fn (string $line): bool => trim($line) !== ''));
        $reader = new RuleReader($language);
        if (count($lines) > 1) {
            return $reader->read($text, $name === '' ? 'A new rule' : $name);
        }
        $sentence = preg_replace('/[\s.:]+$/uD', '', trim($lines[0] ?? '')) ?? '';
        $read = Sentences::read($language->beginning(), $sentence);
        if ($read instanceof ProseError) {
            return new ReadRule(null, [$read]);
        }
        $type = $language->words->type(Triggers::typeOf(is_array($read['trigger'] ?? null) ? $read['trigger'] : []));
        $line = array_values($language->words->lines)[0] ?? '';
        $from = $line === '' ? 'the line last used' : "the $line";

        return $reader->read(
            "$sentence:\n  text the $type->person from $from, as a service text:\n    | Hello {{ first_name | or: \"there\" }}, \n",
            $name === '' ? mb_substr(Line::capital($sentence), 0, 120, 'UTF-8') : $name,
        );
    }
}
