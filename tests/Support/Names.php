<?php

declare(strict_types=1);

namespace Tests\Support;

/** What stands in rules made by chance wherever the schema leaves it open. */
interface Names
{
    /**
     * One of the schema's named parts.
     *
     * @param  string  $key  what it stands under
     * @param  string  $type  of what the rule, or the condition it stands in, is about
     * @param  array<string, mixed>  $beside  what stands beside it so far
     * @return mixed null for what the schema says
     */
    public function part(string $part, string $key, string $type, array $beside): mixed;

    /** A string the schema says no more of than its pattern. */
    public function text(string $key, string $type): string;

    /** @return array{string, scalar|null} a field by its path, and what it is set to; a value that is null is left to the schema */
    public function setting(string $type): array;

    /** @return int how often of a hundred times a part that may be left out is there */
    public function often(string $key): int;

    /** @return int how much more than the least a number is at most */
    public function most(string $key): int;
}
