<?php

declare(strict_types=1);

namespace App\Rules;

use Linnet\Core\Starter\Starter;

/** Rules to begin with, kept as files in the language of rules (starters/). */
final class Starters
{
    /** @return array<string, list<Starter>> by folder */
    public static function all(): array
    {
        $folders = [];
        foreach (glob(base_path('starters/*.txt')) ?: [] as $file) {
            $starter = Starter::read(basename($file, '.txt'), (string) file_get_contents($file));
            $folders[$starter->rule->folder ?? 'Others'][] = $starter;
        }
        ksort($folders);

        return $folders;
    }

    public static function find(string $key): ?Starter
    {
        $file = base_path("starters/$key.txt");

        return preg_match('/^[a-z0-9-]+$/D', $key) === 1 && is_file($file) ? Starter::read($key, (string) file_get_contents($file)) : null;
    }
}
