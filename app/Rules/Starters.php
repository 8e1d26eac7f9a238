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

    /** Changes with any of them, and with the language they are read in. */
    public static function fingerprint(): string
    {
        $files = [...glob(base_path('starters/*.txt')) ?: [], ...glob(base_path('core/Prose/{,*/}*.php'), GLOB_BRACE) ?: []];

        return md5(implode('|', array_map(fn (string $file): string => $file.filemtime($file).filesize($file), $files)));
    }

    public static function find(string $key): ?Starter
    {
        $file = base_path("starters/$key.txt");

        return preg_match('/^[a-z0-9-]+$/D', $key) === 1 && is_file($file) ? Starter::read($key, (string) file_get_contents($file)) : null;
    }
}
