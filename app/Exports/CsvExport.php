<?php

declare(strict_types=1);

namespace App\Exports;

use Symfony\Component\HttpFoundation\StreamedResponse;

/** A list as CSV (RFC 4180, UTF-8), streamed row by row, and safe to open in a spreadsheet program. */
final class CsvExport
{
    /**
     * @param  list<string>  $headings
     * @param  iterable<list<string|int|float|null>>  $rows
     */
    public static function of(string $name, array $headings, iterable $rows): StreamedResponse
    {
        return new StreamedResponse(
            function () use ($headings, $rows): void {
                $out = fopen('php://output', 'wb') ?: throw new \RuntimeException('No output.');
                // The byte order mark tells spreadsheet programs that it is UTF-8.
                fwrite($out, "\xEF\xBB\xBF");
                fputcsv($out, array_map(self::safe(...), $headings), ',', '"', '', "\r\n");
                foreach ($rows as $row) {
                    fputcsv($out, array_map(self::safe(...), $row), ',', '"', '', "\r\n");
                }
                fclose($out);
            },
            200,
            [
                'Content-Type' => 'text/csv; charset=UTF-8',
                'Content-Disposition' => 'attachment; filename="'.
                    (preg_replace('/[^\w.-]+/', '-', preg_replace('/\.\w+$/', '', $name) ?? '') ?: 'list').
                    '.csv"',
                'Cache-Control' => 'no-store',
            ],
        );
    }

    /** What a spreadsheet program would run as a formula gets an apostrophe before it; numbers, telephone numbers too, are left alone. */
    public static function safe(string|int|float|null $cell): string
    {
        // Read with another separator, or line by line, a formula could begin inside a cell.
        $cell = (string) preg_replace('/(?<=[;,\t|\r\n"])(\s*)(?=[=@]|[+\-](?!\d+(?:[.,]\d+)?(?:[\s;,|]|$)))/', "$1'", (string) $cell);

        return preg_match('/^[\s\x00-\x1f]*[=+\-@\t\r]/', $cell) === 1 && preg_match('/^[+-]?\d+([.,]\d+)?$/', $cell) !== 1
            ? "'$cell"
            : $cell;
    }
}
