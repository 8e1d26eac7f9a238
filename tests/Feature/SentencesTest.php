<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Arr;

final class SentencesTest extends TestCase
{
    public function testEveryReasonInTheCodeHasItsSentence(): void
    {
        $sentences = Arr::dot(require lang_path('en/reasons.php'));
        $code = '';
        foreach ([...$this->files(base_path('core')), ...$this->files(base_path('app'))] as $file) {
            $code .= file_get_contents($file);
        }
        preg_match_all("/new Reason\\((?:[^'\"()]*\\? )?'([a-z_]+\\.[a-z_]*[a-z])'(?: : '([a-z_]+\\.[a-z_]+)')?/", $code, $found);
        $used = array_filter([...$found[1], ...$found[2]]);
        self::assertGreaterThan(30, count($used));

        foreach (array_unique($used) as $reason) {
            self::assertArrayHasKey($reason, $sentences);
        }
    }

    public function testNoSentenceShoutsOrShowsCode(): void
    {
        foreach (Arr::dot(require lang_path('en/reasons.php')) as $code => $sentence) {
            self::assertDoesNotMatchRegularExpression(
                '/!|oops|\bnull\b|_|invalid/i',
                str_replace(['{{', '}}'], '', (string) $sentence),
                $code,
            );
        }
    }

    /** @return list<string> */
    private function files(string $folder): array
    {
        $files = [];
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($folder, \FilesystemIterator::SKIP_DOTS)) as $file) {
            $files[] = (string) $file;
        }

        return $files;
    }
}
