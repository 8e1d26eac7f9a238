<?php

declare(strict_types=1);

namespace App\Tables;

use App\Models\Import;

/** Reads a table from any place in it on. */
final class TableReader
{
    /**
     * Rows from a byte offset on, each as a tree of cells by column.
     *
     * @return \Generator<int, array{cells: list<string>, offset: int}> by position from there on; offset is where the next row begins
     */
    public static function from(Import $import, int $offset): \Generator
    {
        $file = fopen($import->table(), 'rb') ?: throw new \RuntimeException('The file is gone.');
        try {
            $offset === 0 ? fgetcsv($file, null, ',', '"', '') : fseek($file, $offset);
            while (($cells = fgetcsv($file, null, ',', '"', '')) !== false) {
                yield ['cells' => array_map(strval(...), $cells), 'offset' => (int) ftell($file)];
            }
        } finally {
            fclose($file);
        }
    }

    /**
     * The first rows as trees.
     *
     * @return list<array<string, string|null>>
     */
    public static function head(Import $import, int $many): array
    {
        $rows = [];
        if (is_file($import->table())) {
            foreach (self::from($import, 0) as $row) {
                $rows[] = self::tree($import->columns ?? [], $row['cells']);
                if (count($rows) >= $many) {
                    break;
                }
            }
        }

        return $rows;
    }

    /**
     * Cells by the names of their columns; an empty cell is nothing.
     *
     * @param  list<string>  $columns
     * @param  list<string>  $cells
     * @return array<string, string|null>
     */
    public static function tree(array $columns, array $cells): array
    {
        $tree = [];
        foreach ($columns as $i => $column) {
            $cell = trim($cells[$i] ?? '');
            // An apostrophe is how spreadsheet programs are told that a number is a text.
            $cell = preg_match("/^'[=+\\-@\\d]/", $cell) === 1 ? substr($cell, 1) : $cell;
            $tree[$column] = in_array(mb_strtolower($cell, 'UTF-8'), ['', 'null', '(null)', '#n/a', 'n/a', 'nan'], true) ? null : $cell;
        }

        return $tree;
    }
}
