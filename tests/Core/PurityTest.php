<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;

/** What the architecture rules cannot see: functions that read the clock, chance, files or the surroundings. */
final class PurityTest extends TestCase
{
    private const FORBIDDEN = [
        'time', 'microtime', 'hrtime', 'date', 'getdate', 'localtime', 'mktime', 'strtotime', 'date_default_timezone_get', 'rand',
        'mt_rand', 'random_int', 'random_bytes', 'uniqid', 'lcg_value', 'shuffle', 'array_rand', 'file_get_contents', 'file_put_contents',
        'fopen', 'file', 'is_file', 'readfile', 'glob', 'getenv', 'env', 'config', 'app', 'curl_init', 'fsockopen', 'exec', 'shell_exec',
        'proc_open', 'header', 'setlocale', 'error_log', 'sleep', 'usleep', 'print_r', 'var_dump',
    ];

    public function testTheCoreReadsNoClockNoChanceAndNothingAroundIt(): void
    {
        $found = [];
        $files = 0;
        foreach (
            new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(dirname(__DIR__, 2)
                .'/core', \FilesystemIterator::SKIP_DOTS)) as $file
        ) {
            $files++;
            array_push($found, ...$this->impure((string) file_get_contents((string) $file), basename((string) $file)));
        }

        self::assertGreaterThan(80, $files);
        self::assertSame([], $found);
    }

    public function testItWouldNotice(): void
    {
        self::assertSame(
            ['X.php: time()', 'X.php: echo', 'X.php: the current moment', 'X.php: the current moment'],
            $this->impure(
                '<?php $a = time(); $this->time(); X::date(); echo $a; new \DateTimeImmutable; new \DateTimeImmutable("now"); new \DateTimeImmutable($at); fn time() => 1;',
                'X.php',
            ),
        );
    }

    /** @return list<string> */
    private function impure(string $code, string $name): array
    {
        $found = [];
        $tokens = array_values(array_filter(\PhpToken::tokenize($code), fn (\PhpToken $t): bool => ! $t->isIgnorable()));
        foreach ($tokens as $i => $token) {
            [$before, $after] = [$tokens[$i - 1] ?? null, $tokens[$i + 1] ?? null];
            $called = $token->is([T_STRING, T_NAME_FULLY_QUALIFIED]) && $after?->text === '('
                && ! $before?->is([T_OBJECT_OPERATOR, T_NULLSAFE_OBJECT_OPERATOR, T_DOUBLE_COLON, T_FUNCTION, T_FN, T_NEW]);
            if ($called && in_array(ltrim($token->text, '\\'), self::FORBIDDEN, true)) {
                $found[] = "$name: {$token->text}()";
            } elseif ($token->is([T_ECHO, T_PRINT, T_INCLUDE, T_REQUIRE, T_REQUIRE_ONCE, T_EVAL, T_GLOBAL])) {
                $found[] = "$name: {$token->text}";
            } elseif ($before?->is(T_NEW) && preg_match('/^\\\\?DateTime(Immutable)?$/', $token->text) === 1) {
                $argument = $after?->text === '(' ? ($tokens[$i + 2]->text ?? '') : ')';
                if ($argument === ')' || preg_match('/^[\'"](now|today|tomorrow|[+-])/', $argument) === 1) {
                    $found[] = "$name: the current moment";
                }
            }
        }

        return $found;
    }
}
