<?php

declare(strict_types=1);

namespace App\Rules;

use App\Sentences\Sentence;
use Linnet\Core\Prose\Language;
use Linnet\Core\Prose\Part;
use Linnet\Core\Prose\ProseError;
use Linnet\Core\Prose\RuleWriter;
use Linnet\Core\Prose\Sentences;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Rule\Example\Supposition;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Time\Span;
use Linnet\Core\Time\Unit;

/** What somebody supposes would happen to the sample, in sentences: "they answer YES after text a". */
final readonly class WhatIf
{
    private const MOST = 6;

    /**
     * @param  list<string>  $sentences  those that were understood
     * @param  list<Supposition>  $suppositions
     * @param  array<string, string>  $wrong  why, by the sentence
     */
    private function __construct(public array $sentences, public array $suppositions, public array $wrong)
    {
    }

    /** @param  list<string>  $sentences */
    public static function of(Language $language, Rule $rule, array $sentences, string $zone): self
    {
        $phrase = $language->line($rule->trigger->type(), '', 'what if');
        $steps = array_flip(RuleWriter::targets($rule)[0]);
        $read = $suppositions = $wrong = [];
        foreach (
            array_slice(array_filter(array_map(trim(...), $sentences), fn (string $one): bool => $one !== ''), 0, self::MOST) as $sentence
        ) {
            $one = Sentences::read($phrase, rtrim($sentence, '. '));
            if ($one instanceof ProseError) {
                $wrong[$sentence] = Sentence::of($one->reason);

                continue;
            }
            $read[] = $sentence;
            $suppositions[] = self::supposition($one, $steps, $zone);
        }

        return new self($read, $suppositions, $wrong);
    }

    /** Something supposed, in a sentence that reads as it. */
    public static function says(Language $language, Rule $rule, Supposition $one, string $zone): string
    {
        $names = RuleWriter::targets($rule)[0];
        $key = (string) array_key_first($one->values);
        $path = "{$rule->trigger->type()}.$key";
        $value = $one->values[$key] ?? null;
        $isMoment = $language->words->field($path)?->kind === FieldKind::DateTime && is_string($value);
        $at = $isMoment ? (new \DateTimeImmutable($value))->setTimezone(new \DateTimeZone($zone)) : null;
        $said = ($one->text === null
            ? ['field' => $path] + ($at === null ? ['value' => $value] : ['day' => $at->format('Y-m-d'), 'time' => $at->format('H:i')])
            : ['text' => $one->text]) +
            ($one->step === null ? [] : ['step' => $names[$one->step] ?? $one->step]) + ['after' => $one->after->toDocument()];

        return Part::join(Sentences::write($language->line($rule->trigger->type(), '', 'what if'), $said));
    }

    /**
     * @param  array<array-key, mixed>  $read
     * @param  array<string, int|string>  $steps  ids by what they are called
     */
    private static function supposition(array $read, array $steps, string $zone): Supposition
    {
        $after = is_array($read['after'] ?? null) ? $read['after'] : ['amount' => 5, 'unit' => 'minutes'];
        $unit = is_string($after['unit'] ?? null) ? Unit::tryFrom($after['unit']) : null;
        $step = is_string($read['step'] ?? null) ? (string) ($steps[$read['step']] ?? $read['step']) : null;
        $field = is_string($read['field'] ?? null) ? explode('.', $read['field'], 2) : [];
        $value = $read['value'] ?? null;
        if (is_string($read['day'] ?? null) && is_string($read['time'] ?? null)) {
            $value = (new \DateTimeImmutable("{$read['day']} {$read['time']}", new \DateTimeZone($zone)))->format(DATE_ATOM);
        }

        return new Supposition(
            $step, Span::of(is_int($after['amount'] ?? null) ? $after['amount'] : 5, $unit ?? Unit::Minutes) ?? Span::days(1),
            is_string($read['text'] ?? null) ? $read['text'] : null,
            isset($field[1]) && (is_scalar($value) || $value === null) ? [$field[1] => $value] : [],
        );
    }
}
