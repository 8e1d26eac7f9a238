<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;

/** A line holds at most 140 columns, so that what is short is short in truth. A literal too long for one line may stand whole. */
final class ColumnsTest extends TestCase
{
    private const MOST = 140;

    public function testNoLineIsLonger(): void
    {
        $root = dirname(__DIR__, 2);
        $long = [];
        foreach (['app', 'bench', 'config', 'core', 'database', 'demo', 'lang', 'routes', 'standins', 'tests'] as $folder) {
            $within = new \RecursiveDirectoryIterator("$root/$folder", \FilesystemIterator::SKIP_DOTS);
            foreach (new \RecursiveIteratorIterator($within) as $file) {
                $path = (string) $file;
                if (str_ends_with($path, '.php') && ! str_ends_with($path, '.blade.php') && ! str_contains($path, 'bootstrap/cache')) {
                    array_push($long, ...self::long((string) file_get_contents($path), substr($path, strlen($root) + 1)));
                }
            }
        }

        self::assertSame([], $long);
    }

    public function testALongLineIsSeenAndALongLiteralIsNot(): void
    {
        $many = str_repeat('$a + ', 40);
        self::assertSame(['x.php:2'], self::long("<?php\n{$many}1;", 'x.php'));
        self::assertSame([], self::long("<?php\n\$a = '".str_repeat('word ', 40)."';", 'x.php'));
    }

    /** @return list<string> */
    private static function long(string $code, string $name): array
    {
        $long = [];
        $lines = explode("\n", $code);
        foreach (array_filter($lines, fn (string $line): bool => mb_strlen($line, 'UTF-8') > self::MOST) as $i => $line) {
            // The literal is shortened to what any line can hold.
            $bare = preg_replace('/\'(?:[^\'\\\\]|\\\\.){40,}\'|"(?:[^"\\\\]|\\\\.){40,}"|“[^“”]{40,}”/u', "'…'", $line);
            if (mb_strlen((string) $bare, 'UTF-8') > self::MOST) {
                $long[] = "$name:".($i + 1);
            }
        }

        return $long;
    }
}
