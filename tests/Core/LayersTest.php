<?php

declare(strict_types=1);

namespace Tests\Core;

use Linnet\Core\Rule\Trigger\Trigger;
use PhpParser\Node\Name\FullyQualified;
use PhpParser\NodeFinder;
use PhpParser\NodeTraverser;
use PhpParser\NodeVisitor\NameResolver;
use PhpParser\ParserFactory;
use PHPUnit\Framework\TestCase;

/** Which folder knows which: arrows between them go down, and never round. */
final class LayersTest extends TestCase
{
    /** Each knows those before its own line; those of one line stand beside one another. "." are the values at the top of the tree. */
    private const CORE = [
        ['.'], ['Document'], ['Time'], ['Number'], ['Text'], ['Record'], ['Rule'], ['Context'], ['Gate'], ['Engine'],
        ['InMemory'], ['Rehearsal', 'Forecast', 'Check', 'Prose', 'Intake'], ['Starter'],
    ];

    /** @var array<string, list<string>> by file: several tests ask about the same */
    private static array $named = [];

    public function testArrowsInTheCoreGoDown(): void
    {
        $layer = [];
        foreach (self::CORE as $height => $folders) {
            $layer += array_fill_keys($folders, $height);
        }
        $arrows = self::arrows('core', 'Linnet\\Core\\');

        self::assertEqualsCanonicalizing(array_keys($layer), array_keys($arrows), 'Every folder of the core has its place in the layers.');
        $up = [];
        foreach ($arrows as $from => $to) {
            foreach ($to as $folder => $where) {
                if ($layer[$folder] >= $layer[$from]) {
                    $up[] = "$from to $folder: $where";
                }
            }
        }
        self::assertSame([], $up);
    }

    public function testNoFoldersOfTheApplicationGoRoundInACircle(): void
    {
        self::assertSame([], self::circles(self::arrows('app', 'App\\')));
    }

    public function testProductionKnowsNothingOfItsDemoItsMeasurementsAndItsTests(): void
    {
        $found = [];
        foreach (['app', 'core', 'config', 'routes', 'bootstrap', 'database/migrations'] as $folder) {
            foreach (self::files($folder) as $file) {
                foreach (self::names($file) as $name) {
                    if (preg_match('/^(Demo|Bench|Standins|Tests|Database\\\\Seeders)\\\\/', $name) === 1) {
                        $found[] = "$file: $name";
                    }
                }
            }
        }
        self::assertSame([], $found);
    }

    /** A new kind is written in one place: whoever asks a trigger something asks it by its interface. */
    public function testNobodyOutsideItsFolderKnowsAKindOfTrigger(): void
    {
        $found = [];
        foreach (['app', 'core', 'demo', 'bench'] as $folder) {
            foreach (self::files($folder) as $file) {
                foreach (str_starts_with($file, 'core/Rule/Trigger/') ? [] : self::names($file) as $name) {
                    if (str_starts_with($name, 'Linnet\\Core\\Rule\\') && is_subclass_of($name, Trigger::class)) {
                        $found[] = "$file: $name";
                    }
                }
            }
        }
        self::assertSame([], $found);
    }

    public function testACircleIsSeen(): void
    {
        self::assertSame(['A B'], self::circles(['A' => ['B' => ''], 'B' => ['A' => '', 'C' => ''], 'C' => []]));
        self::assertSame([], self::circles(['A' => ['B' => '', 'C' => ''], 'B' => ['C' => ''], 'C' => []]));
    }

    /**
     * @param  array<string, array<string, string>>  $arrows
     * @return list<string> the folders of each knot
     */
    private static function circles(array $arrows): array
    {
        $reached = array_map(function (array $to) use ($arrows): array {
            for ($all = $to, $new = $to; $new !== []; $new = array_diff_key($next, $all), $all += $next) {
                $next = array_merge(...array_map(fn (string $one): array => $arrows[$one] ?? [], array_keys($new)));
            }

            return $all;
        }, $arrows);
        $knots = array_map(fn (string $from): string => implode(' ', array_filter(
            array_keys($arrows), fn (string $to): bool => isset($reached[$from][$to], $reached[$to][$from]),
        )), array_keys($arrows));

        return array_values(array_filter(array_unique($knots)));
    }

    /** @return array<string, array<string, string>> from a folder to those it knows, each with a file that does */
    private static function arrows(string $root, string $prefix): array
    {
        $arrows = [];
        foreach (self::files($root) as $file) {
            $from = self::folder(substr($file, strlen($root) + 1), '/');
            $arrows[$from] ??= [];
            foreach (self::names($file) as $name) {
                $to = str_starts_with($name, $prefix) ? self::folder(substr($name, strlen($prefix)), '\\') : $from;
                if ($to !== $from) {
                    $arrows[$from][$to] = "$file knows $name";
                }
            }
        }

        return $arrows;
    }

    private static function folder(string $path, string $separator): string
    {
        return str_contains($path, $separator) ? strstr($path, $separator, true) ?: '.' : '.';
    }

    /** @return list<string> */
    private static function files(string $folder): array
    {
        $root = dirname(__DIR__, 2);
        $files = [];
        foreach (
            new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator("$root/$folder", \FilesystemIterator::SKIP_DOTS)) as $file
        ) {
            $path = (string) $file;
            str_ends_with($path, '.php') && ! str_contains($path, 'bootstrap/cache') ? $files[] = substr($path, strlen($root) + 1) : null;
        }
        self::assertNotSame([], $files);

        return $files;
    }

    /** @return list<string> every class a file names, whole */
    private static function names(string $file): array
    {
        return self::$named[$file] ??= self::read($file);
    }

    /** @return list<string> */
    private static function read(string $file): array
    {
        $tree = (new ParserFactory)->createForHostVersion()->parse((string) file_get_contents(dirname(__DIR__, 2)."/$file")) ?? [];
        $traverser = new NodeTraverser(new NameResolver);

        $named = (new NodeFinder)->findInstanceOf($traverser->traverse($tree), FullyQualified::class);

        return array_values(array_map(fn (FullyQualified $name): string => $name->toString(), $named));
    }
}
