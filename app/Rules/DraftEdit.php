<?php

declare(strict_types=1);

namespace App\Rules;

use App\Models\RecordType;
use App\Sentences\Sentence;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Rule\Rule;

/** One change to a rule's document, as the words of its prose make them. */
final class DraftEdit
{
    /**
     * @param  array<string, mixed>  $document
     * @param  array<string, string>  $said  part, step, and the values of the part
     *
     * @throws ValidationException under the name of the place, if the rule could not be read afterwards
     */
    public static function apply(array $document, array $said): Rule
    {
        $step = $said['step'] ?? '';
        $value = $said['value'] ?? '';
        $number = fn (string $name): int|string => ctype_digit($said[$name] ?? '') ? (int) $said[$name] : ($said[$name] ?? '');
        $changed = match ($said['part']) {
            'name' => ['name' => trim($value)] + $document,
            'reply' => ['stop_early' => ['reply' => $value === 'yes'] + $document['stop_early']] + $document,
            'again' => ['again' => ['policy' => $value] + ($value === 'not_within' ? ['days' => $number('days')] : [])] + $document,
            'hours' => self::condition($document, fn (array $test): bool => isset($test['hours']), $value === 'any' ? null : ['hours' => $value]),
            'line' => self::fieldCondition($document, FieldKind::Line, $value),
            'choice' => self::fieldCondition($document, FieldKind::Choice, $value),
            'wait' => self::step($document, $step, ['for' => ['amount' => $number('amount'), 'unit' => $value]]),
            'until' => self::step($document, $step, ['until' => ['time' => $said['time'] ?? '', 'clock' => $value]]),
            'from' => self::step($document, $step, ['from' => $value === 'contacted' ? ['line' => 'contacted'] : ['line' => 'fixed', 'key' => $value]]),
            'kind' => self::step($document, $step, ['kind' => $value]),
            'wording' => self::wording($document, $step, str_replace("\r\n", "\n", $said['text'] ?? '')),
            default => throw ValidationException::withMessages(['part' => 'This part of a rule cannot be changed here.']),
        };

        try {
            return Rule::read(Doc::of($changed));
        } catch (Unreadable $e) {
            $place = $said['part'].($step === '' ? '' : "-$step");

            throw ValidationException::withMessages([$place => array_map(function ($problem): string {
                $at = $problem->reason->with['at'] ?? null;

                return (is_int($at) ? 'At character '.($at + 1).': ' : '').Sentence::of($problem->reason);
            }, $e->problems)]);
        }
    }

    /**
     * @param  array<string, mixed>  $document
     * @param  array<string, mixed>  $values
     * @return array<string, mixed>
     */
    private static function step(array $document, string $id, array $values): array
    {
        $found = false;
        $document['steps'] = self::steps($document['steps'], $id, function (array $step) use ($values, &$found): array {
            $found = true;

            return [...$step, ...$values];
        });

        return $found ? $document : throw ValidationException::withMessages(['step' => 'This step is no longer in the rule. Load the page again.']);
    }

    /**
     * The steps with one of them changed, wherever it stands.
     *
     * @param  list<array<string, mixed>>  $steps
     * @param  \Closure(array<string, mixed>): array<string, mixed>  $change
     * @return list<array<string, mixed>>
     */
    private static function steps(array $steps, string $id, \Closure $change): array
    {
        return array_map(function (array $step) use ($id, $change): array {
            foreach (['otherwise', 'no_answer'] as $inside) {
                $step = isset($step[$inside]) ? [$inside => self::steps($step[$inside], $id, $change)] + $step : $step;
            }
            foreach (['cases', 'answers'] as $several) {
                foreach ($step[$several] ?? [] as $i => $one) {
                    $step[$several][$i] = isset($one['steps']) ? ['steps' => self::steps($one['steps'], $id, $change)] + $one : $one;
                }
            }

            return $step['id'] === $id ? $change($step) : $step;
        }, $steps);
    }

    /**
     * @param  array<string, mixed>  $document
     * @return array<string, mixed>
     */
    private static function wording(array $document, string $id, string $text): array
    {
        $found = false;
        $document['steps'] = self::steps($document['steps'], $id, function (array $step) use ($text, &$found): array {
            $found = isset($step['wordings']);
            if ($found) {
                $step['wordings'][0]['text'] = $text;
            }

            return $step;
        });

        return $found ? $document : self::step($document, '', []);
    }

    /**
     * @param  array<string, mixed>  $document
     * @return array<string, mixed>
     */
    private static function fieldCondition(array $document, FieldKind $kind, string $value): array
    {
        $type = $document['trigger']['type'];
        $field = RecordType::query()->where('key', $type)->first()?->fields->firstWhere('kind', $kind);
        $path = "$type.".($field->key ?? '');

        return self::condition(
            $document,
            fn (array $test): bool => ($test['field'] ?? null) === $path && ($test['test'] ?? null) === 'is',
            $value === '' ? null : ['field' => $path, 'test' => 'is', 'value' => $value],
        );
    }

    /**
     * Replaces, adds or takes out one of the conditions that all must hold.
     *
     * @param  array<string, mixed>  $document
     * @param  \Closure(array<string, mixed>): bool  $which
     * @param  array<string, mixed>|null  $new
     * @return array<string, mixed>
     */
    private static function condition(array $document, \Closure $which, ?array $new): array
    {
        $all = $document['conditions']['all'] ?? array_filter([$document['conditions'] ?? null]);
        $placed = false;
        $kept = [];
        foreach ($all as $test) {
            if (! $which($test)) {
                $kept[] = $test;
            } elseif ($new !== null && ! $placed) {
                $kept[] = $new;
                $placed = true;
            }
        }
        if ($new !== null && ! $placed) {
            $kept[] = $new;
        }
        $document['conditions'] = ['all' => $kept];

        return $document;
    }
}
