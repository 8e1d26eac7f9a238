<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Template\Node;

final readonly class Modifier
{
    public function __construct(public int $at, public ModifierName $name, public string|int|null $argument = null)
    {
    }

    public function written(): string
    {
        return $this->name->value.match ($this->name->argument()) {
            'text' => ': '.self::quoted((string) $this->argument), 'number' => ": $this->argument", default => '',
        };
    }

    public static function quoted(string $words): string
    {
        return '"'.(preg_replace('/["“”\\\\]/u', '\\\\$0', $words) ?? '').'"';
    }
}
