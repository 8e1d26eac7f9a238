<?php

declare(strict_types=1);

namespace App\Tables;

use Linnet\Core\Intake\Refused;
use Linnet\Core\Reason;

/** Writes the one form in which every file is read: CSV, UTF-8, commas, the names of the columns first. */
final class TableWriter
{
    public const MOST_ROWS = 500_000;

    private const MOST_COLUMNS = 300;

    private const CELL_BYTES = 30_000;

    /** @var resource */
    private $file;

    /** @var list<string> */
    public array $columns = [];

    public int $rows = 0;

    /** The first thing that was left out or taken otherwise than it stands. */
    public ?Reason $note = null;

    public function __construct(string $path)
    {
        $this->file = fopen($path, 'wb') ?: throw new \RuntimeException("Cannot write $path.");
    }

    /**
     * The first row names the columns; a name that stands twice gets a number behind it.
     *
     * @param  list<string>  $cells
     *
     * @throws Refused
     */
    public function row(array $cells): void
    {
        $cells = array_map(
            fn (string $cell): string => mb_scrub(
                strlen($cell) > self::CELL_BYTES ? mb_strcut($cell, 0, self::CELL_BYTES, 'UTF-8') : $cell,
                'UTF-8',
            ),
            $cells,
        );
        if ($this->columns === []) {
            $this->name($cells);

            return;
        }
        if (trim(implode('', $cells)) === '') {
            return;
        }
        if (++$this->rows > self::MOST_ROWS) {
            throw Refused::because('too_many_rows', ['most' => self::MOST_ROWS]);
        }
        fputcsv($this->file, $cells, ',', '"', '');
    }

    public function note(Reason $reason): void
    {
        $this->note ??= $reason;
    }

    public function close(): void
    {
        fclose($this->file);
    }

    /** @param  list<string>  $cells */
    private function name(array $cells): void
    {
        while ($cells !== [] && trim(end($cells)) === '') {
            array_pop($cells);
        }
        if ($cells === []) {
            return;
        }
        if (count($cells) > self::MOST_COLUMNS) {
            throw Refused::because('too_many_columns', ['most' => self::MOST_COLUMNS]);
        }
        foreach ($cells as $i => $cell) {
            $name = trim(preg_replace('/\s+/u', ' ', $cell) ?? '') ?: 'Column '.($i + 1);
            for ($free = $name, $n = 2; in_array($free, $this->columns, true); $n++) {
                $free = "$name $n";
            }
            $this->columns[] = $free;
        }
        fputcsv($this->file, $this->columns, ',', '"', '');
    }
}
