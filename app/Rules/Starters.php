<?php

declare(strict_types=1);

namespace App\Rules;

use Linnet\Core\Rule\Rule;

/** Rules to begin with: those of the boathouse, each to be read and changed before it is published. */
final class Starters
{
    /** @return array<string, list<Rule>> by folder */
    public static function all(): array
    {
        $folders = [];
        foreach (glob(base_path('demo/rules/*.json')) ?: [] as $file) {
            $rule = Rule::fromJson((string) file_get_contents($file));
            $folders[$rule->folder ?? 'Others'][] = $rule;
        }
        ksort($folders);

        return $folders;
    }

    public static function find(string $key): ?Rule
    {
        $file = base_path("demo/rules/$key.json");

        return preg_match('/^[a-z0-9-]+$/D', $key) === 1 && is_file($file) ? Rule::fromJson((string) file_get_contents($file)) : null;
    }
}
