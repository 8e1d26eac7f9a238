<?php

// Lines of code and of tests, blank lines left out, and their ratio.

$count = function (string $pattern): int {
    $files = array_filter(
        explode("\0", (string) shell_exec('git ls-files -z')),
        fn (string $file): bool => preg_match($pattern, $file) === 1 && is_file($file),
    );

    return array_sum(array_map(fn (string $file): int => count(preg_grep('/\S/', file($file) ?: []) ?: []), $files));
};

$places = [
    'core' => '#^core/#',
    'app' => '#^app/#',
    'stand-ins' => '#^standins/#',
    'views' => '#^resources/views/#',
    'styles and scripts' => '#^resources/(css|js)/#',
];
$code = '#\.(php|js|mjs|css|sh)$|^bin/#';
foreach ($places as $name => $pattern) {
    printf("%-20s %6d\n", $name, $count($pattern));
}
$tests = $count('#^tests/.*\.(php|js|stub)$#');
$all = $count($code) - $count('#^tests/.*\.(php|js)$#');
printf(
    "%-20s %6d\n%-20s %6d\n%-20s %5d %%\n", 'everything but tests', $all, 'tests', $tests, 'tests to code',
    (int) round((100 * $tests) / $all),
);
