<?php

declare(strict_types=1);

namespace App\Tables;

/** CSV as programs of all sorts write it: any usual encoding and delimiter, with or without a byte order mark (RFC 4180, loosely). */
final class Csv
{
    private const LOOK_BYTES = 65_536;

    public static function read(string $path, TableWriter $table): void
    {
        $plain = self::inUtf8($path);
        $file = fopen($plain, 'rb') ?: throw new \RuntimeException("Cannot read $path.");
        try {
            $head = (string) fread($file, self::LOOK_BYTES);
            $skip = str_starts_with($head, "\xEF\xBB\xBF") ? 3 : 0;
            // Some spreadsheet programs say in the first line which delimiter follows.
            if (preg_match('/^sep=(.)\r?\n/', substr($head, $skip), $said) === 1) {
                $skip += strlen($said[0]);
            }
            $delimiter = $said[1] ?? self::delimiter(substr($head, $skip));
            fseek($file, $skip);
            while (($cells = fgetcsv($file, null, $delimiter, '"', '')) !== false) {
                $table->row(array_map(strval(...), $cells));
            }
        } finally {
            fclose($file);
            if ($plain !== $path) {
                unlink($plain);
            }
        }
    }

    /** The same file, or a copy in UTF-8 with plain line ends. */
    private static function inUtf8(string $path): string
    {
        $head = (string) file_get_contents($path, length: self::LOOK_BYTES);
        $encoding = match (true) {
            str_starts_with($head, "\xFF\xFE") => 'UTF-16LE',
            str_starts_with($head, "\xFE\xFF") => 'UTF-16BE',
            substr_count($head, "\0") > strlen($head) / 4 => ord($head[0]) === 0 ? 'UTF-16BE' : 'UTF-16LE',
            self::isUtf8($path) => 'UTF-8',
            default => 'Windows-1252',
        };
        // A lone carriage return ends a line in files of old.
        $oldEnds = $encoding === 'UTF-8' && ! str_contains($head, "\n") && str_contains($head, "\r");
        if ($encoding === 'UTF-8' && ! $oldEnds) {
            return $path;
        }
        $in = fopen($path, 'rb') ?: throw new \RuntimeException("Cannot read $path.");
        $out = fopen("$path.utf8", 'wb') ?: throw new \RuntimeException("Cannot write $path.utf8.");
        $first = true;
        while (($bytes = fread($in, 131_072)) !== false && $bytes !== '') {
            $text = $encoding === 'UTF-8' ? str_replace("\r", "\n", $bytes) : (string) mb_convert_encoding($bytes, 'UTF-8', $encoding);
            fwrite($out, $first && str_starts_with($text, "\xEF\xBB\xBF") ? substr($text, 3) : $text);
            $first = false;
        }
        fclose($in);
        fclose($out);

        return "$path.utf8";
    }

    private static function isUtf8(string $path): bool
    {
        $file = fopen($path, 'rb') ?: throw new \RuntimeException("Cannot read $path.");
        while (($line = fgets($file)) !== false) {
            if (! mb_check_encoding($line, 'UTF-8')) {
                fclose($file);

                return false;
            }
        }
        fclose($file);

        return true;
    }

    /** The one that parts the first lines into most columns, and into equally many. */
    private static function delimiter(string $head): string
    {
        $lines = array_slice(preg_split('/\r\n|\n|\r/', (string) preg_replace('/"(?:[^"]|"")*"/s', '""', $head)) ?: [], 0, 12);
        $lines = array_values(array_filter($lines, fn (string $line): bool => trim($line) !== ''));
        $best = [',', 0.0];
        foreach ([',', ';', "\t", '|'] as $delimiter) {
            $counts = array_map(fn (string $line): int => substr_count($line, $delimiter), $lines);
            $even = count(array_filter($counts, fn (int $count): bool => $count === ($counts[0] ?? 0)));
            $score = ($counts[0] ?? 0) * $even;
            if ($score > $best[1]) {
                $best = [$delimiter, (float) $score];
            }
        }

        return $best[0];
    }
}
