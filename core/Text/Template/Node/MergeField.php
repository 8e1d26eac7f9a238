<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Template\Node;

/** A field's value, changed by its modifiers in the order written. */
final readonly class MergeField implements Node
{
    /**
     * @param  int  $at  characters before the field's name in the text
     * @param  list<Modifier>  $modifiers
     */
    public function __construct(public int $at, public string $path, public array $modifiers)
    {
    }

    public function written(): string
    {
        return '{{ '.
            implode(' | ', [$this->path, ...array_map(fn (Modifier $modifier): string => $modifier->written(), $this->modifiers)]).
            ' }}';
    }

    public function fallback(): ?string
    {
        return $this->argumentOf(ModifierName::Or);
    }

    public function format(): ?string
    {
        return $this->argumentOf(ModifierName::As);
    }

    private function argumentOf(ModifierName $name): ?string
    {
        foreach ($this->modifiers as $modifier) {
            if ($modifier->name === $name) {
                return (string) $modifier->argument;
            }
        }

        return null;
    }
}
