<?php

declare(strict_types=1);

namespace App\Rules;

use App\Sentences\Sentence;
use App\Tables\Files;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Text\Wording\Wording;
use Linnet\Core\Text\Wording\Wordings;

/** Shared wordings and codes as files: a table with a heading, "text" and "maximum", or one code a row. */
final class PoolFile
{
    /**
     * @return list<array<string, mixed>> as the pool keeps them
     *
     * @throws ValidationException
     */
    public static function read(string $path): array
    {
        $rows = self::rows($path, 102);
        $heading = array_map(fn (string $cell): string => mb_strtolower(trim($cell), 'UTF-8'), $rows[0] ?? []);
        $text = array_search('text', $heading, true);
        $most = array_search('maximum', $heading, true);
        if ($text === false) {
            throw ValidationException::withMessages([
                'file' => 'The first row has to name the columns: text, and maximum where there is one.',
            ]);
        }
        $wordings = [];
        foreach (array_slice($rows, 1) as $i => $row) {
            $limit = trim($most === false ? '' : $row[$most] ?? '');
            if ($limit !== '' && (! ctype_digit($limit) || (int) $limit < 1)) {
                throw ValidationException::withMessages([
                    'file' => sprintf('Row %d: “%s” is no maximum. A whole number is expected, or nothing.', $i + 2, $limit),
                ]);
            }
            $words = trim($row[$text] ?? '');
            // The same words keep their name, and so what was counted for them.
            $words === '' ||
                ($wordings[] = ['id' => PoolWordings::id($words), 'text' => $words] + ($limit === '' ? [] : ['most' => (int) $limit]));
        }
        try {
            return array_map(
                fn (Wording $wording): array => $wording->toDocument(),
                Wordings::list(Doc::of(['wordings' => $wordings]), 'wordings'),
            );
        } catch (Unreadable $e) {
            $problem = $e->problems[0];
            $row = preg_match('/\[(\d+)\]/', $problem->path, $found) === 1 ? sprintf('Row %d: ', (int) $found[1] + 2) : '';

            throw ValidationException::withMessages(['file' => $row.Sentence::of($problem->reason)]);
        }
    }

    /**
     * @return list<string>
     *
     * @throws ValidationException
     */
    public static function codes(string $path, int $most): array
    {
        $codes = [];
        foreach (self::rows($path, $most + 1, 'codes') as $i => $row) {
            $code = trim($row[0] ?? '');
            if ($i === 0 && strtolower($code) === 'code') {
                continue;
            }
            if (mb_strlen($code, 'UTF-8') > 40 || preg_match('/\s/', $code) === 1) {
                throw ValidationException::withMessages([
                    'codes' => sprintf('Row %d: a code has up to 40 letters and digits, and no spaces.', $i + 1),
                ]);
            }
            $code === '' || $codes[$code] = $code;
        }

        return $codes === []
            ? throw ValidationException::withMessages(['codes' => 'There are no codes in this file.'])
            : array_values(array_map(strval(...), $codes));
    }

    /** @return list<list<string>> the heading among them */
    private static function rows(string $path, int $most, string $field = 'file'): array
    {
        $table = tempnam(sys_get_temp_dir(), 'pool') ?: throw new \RuntimeException('No room for a file.');
        try {
            Files::read($path, $table, new \DateTimeImmutable('2000-01-01'), new \DateTimeZone('UTC'));
            $rows = [];
            $file = fopen($table, 'rb') ?: throw new \RuntimeException("Cannot read $table.");
            while (($cells = fgetcsv($file, null, ',', '"', '')) !== false) {
                $rows[] = array_map(strval(...), $cells);
                if (count($rows) > $most) {
                    throw ValidationException::withMessages([
                        $field => "There are more than $most rows in this file, which is more than are taken.",
                    ]);
                }
            }
            fclose($file);

            return $rows;
        } catch (Refused $e) {
            throw ValidationException::withMessages([$field => Sentence::of($e->reason())]);
        } finally {
            unlink($table);
        }
    }
}
