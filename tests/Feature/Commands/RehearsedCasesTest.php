<?php

declare(strict_types=1);

namespace Tests\Feature\Commands;

use Illuminate\Support\Facades\Artisan;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\TestCase;

/**
 * Cases of time, gate, words and pace, as anybody may add one: a folder of a rule, a world and what is expected of it.
 *
 * UPDATE_GOLDEN=1 writes what is expected anew; the difference is read like code.
 */
final class RehearsedCasesTest extends TestCase
{
    private const FOLDER = __DIR__.'/../../cases';

    #[DataProvider('cases')]
    public function testItGoesAsExpected(string $case): void
    {
        $folder = self::FOLDER."/$case";
        self::assertSame(
            0,
            Artisan::call('linnet:rehearse', ['rule' => "$folder/rule.json", 'world' => "$folder/world.json", '--json' => true]),
        );
        /** @var array{texts: list<array<string, mixed>>, effects: list<array<string, mixed>>, trace: list<array<string, mixed>>} $lived */
        $lived = json_decode(Artisan::output(), true, 64, JSON_THROW_ON_ERROR);
        $went = [
            'texts' => array_map(
                fn (array $text): string => implode(' | ', [
                    $text['state'], $text['leaves'] ?? '', $text['to'], $text['words'] ?? '', $text['why'] ?? '',
                ]),
                $lived['texts'],
            ),
            'effects' => array_map(
                fn (array $effect): string => $effect['at'].
                    ' '.
                    json_encode(array_diff_key($effect, ['at' => 1]), JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR),
                $lived['effects'],
            ),
            'trace' => array_map(fn (array $one): string => "{$one['at']} {$one['about']}: {$one['why']}", $lived['trace']),
        ];
        if (getenv('UPDATE_GOLDEN') !== false) {
            file_put_contents(
                "$folder/expected.json",
                json_encode($went, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)."\n",
            );
        }

        self::assertSame(json_decode((string) file_get_contents("$folder/expected.json"), true, 16, JSON_THROW_ON_ERROR), $went);
    }

    /** @return iterable<string, array{string}> */
    public static function cases(): iterable
    {
        foreach (glob(self::FOLDER.'/*', GLOB_ONLYDIR) ?: [] as $folder) {
            yield str_replace('-', ' ', basename($folder)) => [basename($folder)];
        }
    }

    public function testARuleAboutATypeThatIsNotInTheWorldIsSaid(): void
    {
        $folder = self::FOLDER.'/same-words-held-for-the-night';
        $rule = (string) tempnam(sys_get_temp_dir(), 'rule');
        file_put_contents($rule, str_replace('"booking"', '"regatta"', (string) file_get_contents("$folder/rule.json")));

        self::assertSame(1, Artisan::call('linnet:rehearse', ['rule' => $rule, 'world' => "$folder/world.json"]));
        self::assertStringContainsString(
            'is about “regatta”, which is no type of record in this world',
            (string) preg_replace('/\s+/', ' ', Artisan::output()),
        );
    }
}
