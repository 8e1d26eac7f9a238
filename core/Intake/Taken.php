<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Intake\Clean\Clean;
use Linnet\Core\Intake\Clean\Cleans;
use Linnet\Core\Record\Field;
use Linnet\Core\Record\Place;

/** Where a value comes from: a path in what came, with the steps that clean it; or always the same. */
final readonly class Taken
{
    /** @param  list<Clean>  $steps */
    private function __construct(public ?Path $at, public Fold $fold, public array $steps, public string|int|float|bool|null $always)
    {
    }

    /** @throws Unreadable */
    public static function read(Doc $doc): self
    {
        if ($doc->has('always')) {
            $doc->allow('always');
            $always = $doc->get('always')->value;

            return is_scalar($always)
                ? new self(null, Fold::First, [], $always)
                : throw Unreadable::at("$doc->path.always", 'value_expected');
        }
        $doc->allow('at', 'fold', 'clean');

        return new self(
            Path::parse($doc->text('at', 300)) ??
                throw Unreadable::at("$doc->path.at", 'path_expected', ['written' => $doc->text('at', 300)]),
            $doc->has('fold') ? $doc->choice('fold', Fold::class) : Fold::First,
            $doc->has('clean') ? $doc->each('clean', Cleans::read(...), 0, 12) : [],
            null,
        );
    }

    /** @return array<string, mixed> */
    public function toDocument(): array
    {
        return $this->at === null ? ['always' => $this->always] : ['at' => (string) $this->at]
            + ($this->fold === Fold::First ? [] : ['fold' => $this->fold->value])
            + ($this->steps === [] ? [] : ['clean' => array_map(fn (Clean $step): array => $step->toDocument(), $this->steps)]);
    }

    /** The value's whole way, as far as it gets. */
    public function follow(mixed $tree, Field $field, Place $place): Followed
    {
        $path = $this->at === null ? $field->name : (string) $this->at;
        $raw = $this->at === null ? $this->always : $this->at->find($tree);
        $after = [];
        try {
            $value = is_array($raw) && ($this->at?->isMany() || array_is_list($raw)) ? $this->fold->fold(array_values($raw), $path) : $raw;
            if ($value !== $raw) {
                $after[] = $value;
            }
            foreach ($this->steps as $step) {
                if ($value === null || (is_string($value) && trim($value) === '')) {
                    $value = null;
                    break;
                }
                if (! is_scalar($value)) {
                    throw Refused::because('not_a_value', ['path' => $path]);
                }
                if (is_string($value) && ! mb_check_encoding($value, 'UTF-8')) {
                    throw Refused::because('not_utf8', ['path' => $path]);
                }
                $value = $step->apply($value, $path, $place);
                $after[] = $value;
            }

            return new Followed($raw, $after, FieldNormalizer::into($field, $value, $place, $path), null);
        } catch (Refused $e) {
            return new Followed($raw, $after, null, $e->reason());
        }
    }
}
