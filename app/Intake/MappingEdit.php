<?php

declare(strict_types=1);

namespace App\Intake;

use App\Sentences\Sentence;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Intake\Fold;
use Linnet\Core\Intake\Mapping;
use Linnet\Core\Intake\Path;
use Linnet\Core\Intake\Suggest;
use Linnet\Core\Record\Field;

/** One change to a mapping, as its screen makes it. */
final readonly class MappingEdit
{
    /** @param  array<string, Field>  $targets */
    public function __construct(private Mapping $mapping, private array $targets, private mixed $sample)
    {
    }

    /**
     * What a request says of a change. The button that puts the chosen value into a field says which field.
     *
     * @return array<string, string>
     */
    public static function said(Request $request): array
    {
        $said = array_map(strval(...), array_filter($request->except(['_token', '_method']), is_scalar(...)));

        return isset($said['into']) ? ['part' => 'take', 'target' => $said['into']] + $said : $said;
    }

    /**
     * @param  array<string, string>  $said  part, target, and the values of the part
     *
     * @throws ValidationException under the name of the target or part, if the mapping could not be read afterwards
     */
    public function apply(array $said): Mapping
    {
        $target = $said['target'] ?? '';
        $document = $this->mapping->toDocument();
        $changed = match ($said['part'] ?? '') {
            'take' => $this->takeFrom($document, $target, $said['at'] ?? ''),
            'always' => self::put($document, $target, ['always' => $said['value'] ?? '']),
            'drop' => self::put($document, $target, null),
            'fold' => self::with($document, $target, ['fold' => $said['fold'] ?? '']),
            'clean' => self::with($document, $target, ['clean' => [...$this->steps($document, $target), $this->step($said)]]),
            'unclean' => self::with($document, $target, ['clean' => self::without($this->steps($document, $target), $said['index'] ?? '')]),
            'test' => ['only_if' => [...$document['only_if'], $this->test($said)]] + $document,
            'untest' => ['only_if' => self::without($document['only_if'], $said['index'] ?? '')] + $document,
            'country', 'zone', 'known_people' => [$said['part'] => $said['value'] ?? ''] + $document,
            default => throw ValidationException::withMessages(['part' => 'This part of a mapping cannot be changed here.']),
        };
        try {
            return Mapping::read(Doc::of($changed));
        } catch (Unreadable $e) {
            $place = $target !== '' ? $target : $said['part'] ?? '';
            throw ValidationException::withMessages([
                $place => array_map(fn ($problem): string => Sentence::of($problem->reason), $e->problems),
            ]);
        }
    }

    /**
     * @param  array<string, mixed>  $document
     * @return array<string, mixed>
     */
    private function takeFrom(array $document, string $target, string $at): array
    {
        $path = Path::parse($at);
        $field = $this->targets[$target] ?? null;
        if ($path === null || $field === null) {
            throw ValidationException::withMessages([
                $field === null ? 'at' : $target => 'First choose a value on the left, then the field it belongs to.',
            ]);
        }
        $fold = Suggest::fold($field, $path);
        $found = $path->find($this->sample);
        $steps = Suggest::steps($field, is_array($found) ? ($found[0] ?? null) : $found, $this->mapping->place);

        return self::put(
            $document,
            $target,
            ['at' => (string) $path] + ($fold === Fold::First ? [] : ['fold' => $fold->value]) + ($steps === [] ? [] : ['clean' => $steps]),
        );
    }

    /**
     * @param  array<string, string>  $said
     * @return array<string, mixed>
     */
    private function step(array $said): array
    {
        $given = fn (string $name): string => $said[$name] ?? '';

        return match ($given('do')) {
            'empty_words' => ['do' => 'empty_words', 'words' => self::lines($given('words'))],
            'map' => [
                'do' => 'map',
                'values' => self::pairs($given('values')),
                'otherwise' => $given('otherwise') === '' ? 'keep' : $given('otherwise'),
            ],
            'phone' => ['do' => 'phone', 'country' => $given('country')],
            'find' => ['do' => 'find', 'what' => $given('what')],
            'date' => ['do' => 'date', 'order' => $given('order')] + ($given('zone') === '' ? [] : ['zone' => $given('zone')]),
            'unix' => ['do' => 'unix', 'unit' => $given('unit')],
            'number' => ['do' => 'number', 'decimal' => $given('decimal')] +
                ((int) $given('divide') > 1 ? ['divide' => (int) $given('divide')] : []),
            'cut' => ['do' => 'cut', 'mark' => $given('mark') === '' ? ' ' : $given('mark'), 'keep' => $given('keep')],
            'letters' => ['do' => 'letters', 'as' => $given('as')],
            default => ['do' => $given('do')],
        };
    }

    /**
     * @param  array<string, string>  $said
     * @return array<string, mixed>
     */
    private function test(array $said): array
    {
        $value = trim($said['value'] ?? '');

        return ['at' => $said['at'] ?? '', 'test' => $said['test'] ?? '']
            + match ($said['test'] ?? '') {
                'is', 'is_not' => ['value' => $value],
                'one_of' => ['value' => self::lines(str_replace(',', "\n", $value))],
                default => [],
            };
    }

    /**
     * @param  array<string, mixed>  $document
     * @return list<array<string, mixed>>
     */
    private function steps(array $document, string $target): array
    {
        return self::get($document, $target)['clean'] ?? [];
    }

    /**
     * @param  array<string, mixed>  $document
     * @return array<string, mixed>
     */
    private static function get(array $document, string $target): array
    {
        [$group, $key] = [...explode('.', $target, 2), ''];

        return $key === '' ? $document[$group] ?? [] : $document[$group][$key] ?? [];
    }

    /**
     * @param  array<string, mixed>  $document
     * @param  array<string, mixed>|null  $taken
     * @return array<string, mixed>
     */
    private static function put(array $document, string $target, ?array $taken): array
    {
        [$group, $key] = [...explode('.', $target, 2), ''];
        if ($key === '') {
            $document[$group] = $taken;
        } else {
            $document[$group][$key] = $taken;
            $document[$group] = array_filter($document[$group], fn (mixed $one): bool => $one !== null);
        }

        return array_filter($document, fn (mixed $one): bool => $one !== null);
    }

    /**
     * @param  array<string, mixed>  $document
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    private static function with(array $document, string $target, array $more): array
    {
        $taken = self::get($document, $target);

        return $taken === []
            ? throw ValidationException::withMessages([$target => 'No value is put here yet.'])
            : self::put($document, $target, $more + $taken);
    }

    /**
     * @param  list<array<string, mixed>>  $list
     * @return list<array<string, mixed>>
     */
    private static function without(array $list, string $index): array
    {
        unset($list[(int) $index]);

        return array_values($list);
    }

    /** @return list<string> */
    private static function lines(string $written): array
    {
        return array_values(
            array_filter(array_map(trim(...), explode("\n", str_replace("\r", '', $written))), fn (string $line): bool => $line !== ''),
        );
    }

    /** @return array<string, string> from lines such as "theirs = ours" */
    private static function pairs(string $written): array
    {
        $pairs = [];
        foreach (self::lines($written) as $line) {
            [$from, $to] = [...explode('=', $line, 2), ''];
            $pairs[trim($from)] = trim($to);
        }

        return $pairs;
    }
}
