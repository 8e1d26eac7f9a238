<?php

declare(strict_types=1);

namespace App\Tables;

use Linnet\Core\Intake\Refused;

/** Makes a file of any known kind into one table. What it is, it says itself; its name is not believed. */
final class Files
{
    /**
     * @param  string  $into  where the table is written
     * @return TableWriter  closed, with its columns and the number of its rows
     *
     * @throws Refused
     */
    public static function read(string $path, string $into, \DateTimeImmutable $now, \DateTimeZone $zone): TableWriter
    {
        $table = new TableWriter($into);
        try {
            $begins = ltrim((string) preg_replace('/^(\xEF\xBB\xBF)/', '', (string) file_get_contents($path, length: 512)));
            match (true) {
                str_starts_with($begins, "\x1f\x8b") => throw Refused::because('unreadable', [
                    'format' => 'a table',
                    'detail' => 'it is packed (gzip). Send it unpacked.',
                ]),
                str_starts_with($begins, "PK\x03\x04") => Xlsx::read($path, $table),
                str_starts_with($begins, "\xD0\xCF\x11\xE0") => throw Refused::because('unreadable', [
                    'format' => 'a workbook',
                    'detail' => 'it is in a form of old. Save it as .xlsx or CSV.',
                ]),
                stripos($begins, 'BEGIN:VCARD') === 0 => VCards::read($path, $table),
                stripos($begins, 'BEGIN:VCALENDAR') === 0 => ICalendar::read($path, $table, $now, $zone),
                preg_match('/^<(!doctype|html|\?xml)/i', $begins) === 1 => throw Refused::because('unreadable', ['format' => 'a table', 'detail' => 'it is a web page. Check that the address gives the file itself.']),
                str_starts_with($begins, '%PDF') => throw Refused::because(
                    'unreadable', ['format' => 'a table', 'detail' => 'it is a PDF.'],
                ),
                default => Csv::read($path, $table),
            };
        } finally {
            $table->close();
        }
        if ($table->columns === []) {
            throw Refused::because('no_columns');
        }

        return $table;
    }
}
