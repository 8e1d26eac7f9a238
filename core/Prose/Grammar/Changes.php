<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Grammar;

use Linnet\Core\Prose\Phrase\Dependent;
use Linnet\Core\Prose\Phrase\Mapped;
use Linnet\Core\Prose\Phrase\Phrase;
use Linnet\Core\Prose\Phrase\Several;
use Linnet\Core\Prose\Slot\OneOf;
use Linnet\Core\Prose\Vocabulary\Vocabulary;
use Linnet\Core\Record\RecordType;

/**
 * What a step changes: "set the state to cancelled, and add the tag "x"". Over "set", "record", "add" and "remove", which are said as
 * a list
 * of changes under "changes".
 */
final class Changes
{
    public function __construct(private readonly Vocabulary $words, private readonly Fields $fields, private readonly Values $values)
    {
    }

    public function of(string $type): Phrase
    {
        return new Mapped(
            ['set', 'record', 'add', 'remove'],
            new Several(
                'changes', $this->one($type), Make::any(Make::seq(',', Make::free('and')), Make::also('and')),
                Make::any(Make::seq(', and'), Make::also('and')),
            ),
            self::apart(...),
            self::together(...),
        );
    }

    private function one(string $type): Phrase
    {
        $label = fn (string $do, string $kind, string $words, string $noun, string ...$also): Phrase => Make::seq(
            Make::means(['do' => $do, 'kind' => $kind]),
            Make::any(Make::turn($words, 'change'), ...array_map(fn (string $one): Phrase => Make::also($one), $also)),
            $noun,
            Make::slot(
                'name',
                OneOf::names(
                    $kind,
                    $kind === 'tag'
                        ? array_combine($this->words->tags, $this->words->tags)
                        : array_combine($this->words->lists, $this->words->lists),
                    quotes: true,
                ),
            ),
        );
        $own = [$this->fields->settable($type, 'path'), Make::seq('')];
        $others = [];
        foreach ($this->words->records() as $other) {
            foreach (['next', 'newest'] as $which) {
                $path = Make::lazy(fn (): Phrase => $this->fields->bare($other->key, 'path'));
                $others[] = Make::seq(
                    'the', $path, Make::turn("of their $which", 'which record'), $other->noun,
                    Make::means(['record' => $which, 'type' => $other->key]),
                );
            }
        }
        $field = Make::any(
            Make::seq(...$own),
            ...array_map(fn (Phrase $one): Phrase => $this->checked($one), $others),
            ...[
                Make::last($own[0], 'of their next one', Make::means(['record' => 'next'])),
                Make::last($own[0], 'of their newest one', Make::means(['record' => 'newest'])),
            ],
        );

        $owner = $this->words->type($type)->owner;
        $made =
            $owner === null
                ? []
                : [
                    Make::seq(
                        Make::means(['do' => 'set', 'path' => "$type.$owner"]), Make::turn('make', 'change'),
                        Make::slot('value', OneOf::names('staff', $this->words->staff, isOpen: false)), 'the owner',
                    ),
                ];

        return Make::any(
            ...$made,
            ...[
                new Dependent(Make::seq(Make::means(['do' => 'set']), Make::turn('set', 'change'), $field, 'to'), function (
                    array $known,
                ): Phrase {
                    $path = is_string($known['path'] ?? null) ? $known['path'] : '';

                    return $this->values->of($this->words->field($path), $path, 'value');
                }),
                Make::seq(Make::means(['do' => 'set', 'value' => null]), Make::turn('clear', 'change'), $field),
                $label('add', 'tag', 'add', 'the tag', 'give them'),
                $label('remove', 'tag', 'remove', 'the tag', 'take'),
                $label('add', 'list', 'put them onto', 'the list', 'put them on', 'add them to'),
                $label('remove', 'list', 'take them off', 'the list'),
                Make::last(
                    Make::means(['do' => 'record']),
                    'of their',
                    Make::slot('record', OneOf::words('which record', ['next record' => 'next', 'newest record' => 'newest'])),
                ),
            ],
        );
    }

    /** A field of a type is said with its own type's noun only. */
    private function checked(Phrase $phrase): Phrase
    {
        $fits = fn (array $said): ?array => is_string($said['path'] ?? null) &&
        is_string($said['type'] ?? null) &&
        str_starts_with($said['path'], "{$said['type']}.")
            ? $said
            : null;

        return new Mapped(
            ['path', 'record'],
            $phrase,
            fn (array $said): ?array => isset($said['record']) && is_string($said['path'] ?? null) && str_contains($said['path'], '.')
                ? $said + ['type' => explode('.', $said['path'])[0]]
                : null,
            fn (array $said): ?array => $fits($said) === null ? null : array_diff_key($said, ['type' => 1]),
        );
    }

    /**
     * @param  array<array-key, mixed>  $document
     * @return array<array-key, mixed>
     */
    private static function apart(array $document): array
    {
        $changes = [];
        $record = is_string($document['record'] ?? null) ? ['record' => $document['record']] : [];
        $said = $record === [];
        foreach (is_array($document['set'] ?? null) ? $document['set'] : [] as $path => $value) {
            $path = (string) $path;
            $isRecord = str_contains($path, '.') && ! str_starts_with($path, RecordType::PERSON.'.');
            $changes[] = ['do' => 'set', 'path' => $path, 'value' => $value] + ($isRecord ? $record : []);
            $said = $said || $isRecord;
        }
        foreach (['add', 'remove'] as $do) {
            foreach (['tag', 'list'] as $kind) {
                $labels = is_array($document[$do] ?? null) && is_array($document[$do][$kind] ?? null) ? $document[$do][$kind] : [];
                array_push(
                    $changes,
                    ...array_map(fn (mixed $name): array => ['do' => $do, 'kind' => $kind, 'name' => $name], array_values($labels)),
                );
            }
        }

        return ['changes' => $said ? $changes : [...$changes, ['do' => 'record'] + $record]];
    }

    /**
     * @param  array<array-key, mixed>  $said
     * @return array<array-key, mixed>|null
     */
    private static function together(array $said): ?array
    {
        $document = [];
        foreach (is_array($said['changes'] ?? null) ? $said['changes'] : [] as $change) {
            if (! is_array($change)) {
                return null;
            }
            if (isset($change['record'])) {
                // One step changes fields of one record.
                if (isset($document['record']) && $document['record'] !== $change['record']) {
                    return null;
                }
                $document['record'] = $change['record'];
            }
            if ($change['do'] === 'set' && is_string($change['path'] ?? null)) {
                if (array_key_exists($change['path'], $document['set'] ?? [])) {
                    return null;
                }
                $document['set'][$change['path']] = $change['value'] ?? null;
            } elseif (in_array($change['do'], ['add', 'remove'], true) && is_string($change['kind'] ?? null)) {
                $document[$change['do']][$change['kind']][] = $change['name'] ?? null;
            }
        }

        return $document;
    }
}
