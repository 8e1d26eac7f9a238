<?php

declare(strict_types=1);

namespace App\Tables;

use Linnet\Core\Intake\Refused;

/**
 * The first sheet of a workbook (ECMA-376, SpreadsheetML), read as a stream: texts shared between cells rest in a file, so that memory
 * stays flat however large the sheet is. Cells formatted as dates become dates.
 */
final class Xlsx
{
    /** Numbers of the built-in formats that show a date or time. */
    private const DATE_FORMATS = [14, 15, 16, 17, 18, 19, 20, 21, 22, 45, 46, 47];

    /** Unpacked. */
    private const MOST_BYTES = 1_500_000_000;

    /** Of the parts that are read whole. */
    private const MOST_PART_BYTES = 20_000_000;

    /** @var resource */
    private $texts;

    /** Where each shared text begins: eight bytes each. */
    private string $places = '';

    /** @var array<int, bool> whether a cell style shows a date */
    private array $dates = [];

    private bool $from1904 = false;

    private function __construct(private readonly string $path, private readonly \ZipArchive $zip)
    {
        $this->texts = tmpfile() ?: throw new \RuntimeException('No temporary file.');
    }

    /** @throws Refused if it is no workbook */
    public static function read(string $path, TableWriter $table): void
    {
        $zip = new \ZipArchive;
        if ($zip->open($path, \ZipArchive::RDONLY) !== true) {
            throw Refused::because('unreadable', ['format' => 'a workbook', 'detail' => 'it is not one, or it is broken.']);
        }
        self::bound($zip);
        $entry = self::sheet($zip);
        $book = new self($path, $zip);
        $book->from1904 = preg_match('/date1904="(1|true)"/', (string) $zip->getFromName('xl/workbook.xml')) === 1;
        $book->readTexts();
        $book->readStyles();
        $book->readSheet($entry, $table);
        $zip->close();
    }

    /** A small archive may hold more than a disk does: what is read is only read where it says that it is of a sensible size. */
    private static function bound(\ZipArchive $zip): void
    {
        for ($i = 0, $all = 0; $i < $zip->numFiles; $i++) {
            $all += $size = (int) ($zip->statIndex($i)['size'] ?? 0);
            $isPart = preg_match('~(workbook\.xml|\.rels|styles\.xml)$~', (string) $zip->getNameIndex($i)) === 1;
            if ($all > self::MOST_BYTES || ($isPart && $size > self::MOST_PART_BYTES)) {
                throw Refused::because('unreadable', [
                    'format' => 'a workbook',
                    'detail' => 'it is larger inside than can be read. Send it in parts.',
                ]);
            }
        }
    }

    /** The first sheet's place in the archive, by way of the workbook's relations. */
    private static function sheet(\ZipArchive $zip): string
    {
        $book = (string) $zip->getFromName('xl/workbook.xml');
        $relations = (string) $zip->getFromName('xl/_rels/workbook.xml.rels');
        if (
            preg_match('/<(?:\w+:)?sheet\b[^>]*\br:id="([^"]+)"/', $book, $id) === 1 &&
            preg_match(
                '/<Relationship\b(?=[^>]*\bId="'.preg_quote($id[1], '/').'")[^>]*\bTarget="\/?(?:xl\/)?([^"]+)"/',
                $relations,
                $target,
            ) === 1 &&
            $zip->locateName("xl/$target[1]") !== false
        ) {
            return "xl/$target[1]";
        }

        return $zip->locateName('xl/worksheets/sheet1.xml') !== false ? 'xl/worksheets/sheet1.xml'
            : throw Refused::because('unreadable', ['format' => 'a workbook', 'detail' => 'there is no sheet in it.']);
    }

    private function readTexts(): void
    {
        if ($this->zip->locateName('xl/sharedStrings.xml') === false) {
            return;
        }
        $xml = $this->open('xl/sharedStrings.xml');
        $at = 0;
        while ($xml->read()) {
            if ($xml->nodeType === \XMLReader::ELEMENT && $xml->localName === 'si') {
                $text = self::texts($xml, 'si');
                $this->places .= pack('P', $at);
                $at += (int) fwrite($this->texts, pack('V', strlen($text)).$text);
            }
        }
        $xml->close();
    }

    private function readStyles(): void
    {
        $styles = (string) $this->zip->getFromName('xl/styles.xml');
        preg_match_all('/<(?:\w+:)?numFmt\b[^>]*numFmtId="(\d+)"[^>]*formatCode="([^"]*)"/', $styles, $own, PREG_SET_ORDER);
        $isDate = array_fill_keys(self::DATE_FORMATS, true);
        foreach ($own as [, $id, $code]) {
            $isDate[(int) $id] =
                preg_match(
                    '/[dyhs]|m(?!.*#)/i',
                    (string) preg_replace('/"[^"]*"|&quot;.*?&quot;|\[[^\]]*\]|\\\\./', '', html_entity_decode($code)),
                ) === 1;
        }
        if (preg_match('/<(?:\w+:)?cellXfs\b.*?<\/(?:\w+:)?cellXfs>/s', $styles, $formats) === 1) {
            preg_match_all('/<(?:\w+:)?xf\b[^>]*?numFmtId="(\d+)"/', $formats[0], $ids);
            $this->dates = array_map(fn (string $id): bool => $isDate[(int) $id] ?? false, $ids[1]);
        }
    }

    private function readSheet(string $entry, TableWriter $table): void
    {
        $xml = $this->open($entry);
        $row = [];
        $next = 0;
        while ($xml->read()) {
            if ($xml->nodeType === \XMLReader::ELEMENT && $xml->localName === 'row') {
                $row = [];
                $next = 0;
                if ($xml->isEmptyElement) {
                    continue;
                }
            } elseif ($xml->nodeType === \XMLReader::ELEMENT && $xml->localName === 'c') {
                $column = self::column((string) $xml->getAttribute('r')) ?? $next;
                $next = $column + 1;
                if ($column < 1000) {
                    $row[$column] = $xml->isEmptyElement
                        ? ''
                        : $this->cell($xml, (string) $xml->getAttribute('t'), (int) $xml->getAttribute('s'));
                }
            } elseif ($xml->nodeType === \XMLReader::END_ELEMENT && $xml->localName === 'row') {
                $cells = $row === [] ? [] : array_replace(array_fill(0, max(array_keys($row)) + 1, ''), $row);
                $table->row(array_values($cells));
            }
        }
        $xml->close();
    }

    private function cell(\XMLReader $xml, string $type, int $style): string
    {
        if ($type === 'inlineStr') {
            return self::texts($xml, 'c');
        }
        $value = '';
        while ($xml->read() && ! ($xml->nodeType === \XMLReader::END_ELEMENT && $xml->localName === 'c')) {
            if ($xml->nodeType === \XMLReader::ELEMENT && $xml->localName === 'v' && ! $xml->isEmptyElement) {
                $value = $xml->readString();
            }
        }

        return match (true) {
            $type === 's' => $this->text((int) $value),
            $type === 'b' => $value === '1' ? 'yes' : 'no',
            $type === 'e' => '',
            $type === '' || $type === 'n' => is_numeric($value)
                ? ($this->dates[$style] ?? false
                    ? $this->date((float) $value)
                    : self::number($value))
                : $value,
            default => $value,
        };
    }

    private function text(int $index): string
    {
        $place = substr($this->places, $index * 8, 8);
        if (strlen($place) < 8) {
            return '';
        }
        fseek($this->texts, (int) (unpack('P', $place)[1] ?? 0));
        $length = (int) (unpack('V', (string) fread($this->texts, 4))[1] ?? 0);

        return $length < 1 ? '' : (string) fread($this->texts, $length);
    }

    /** A count of days, with the time of day as its fraction; day 60 of the older reckoning never was. */
    private function date(float $serial): string
    {
        $days = (int) floor($serial);
        $seconds = (int) round(($serial - $days) * 86_400);
        if ($days === 0 && ! $this->from1904) {
            return gmdate('H:i', $seconds);
        }
        $begins = $this->from1904 ? '1904-01-01' : ($days < 60 ? '1899-12-31' : '1899-12-30');
        $at = new \DateTimeImmutable("$begins UTC +$days days +$seconds seconds");

        return $at->format($seconds === 0 ? 'Y-m-d' : 'Y-m-d H:i:s');
    }

    /** A number as it was typed: no exponent, no digits of binary fractions. */
    private static function number(string $value): string
    {
        $number = (float) $value;

        return floor($number) === $number && abs($number) < 1e15
            ? sprintf('%.0f', $number)
            : rtrim(rtrim(sprintf('%.10F', $number), '0'), '.');
    }

    /** "BC12" is the 55th column, counted from 0: 54. */
    private static function column(string $reference): ?int
    {
        if (preg_match('/^([A-Z]{1,3})\d+$/', $reference, $letters) !== 1) {
            return null;
        }
        $column = 0;
        foreach (str_split($letters[1]) as $letter) {
            $column = $column * 26 + ord($letter) - 64;
        }

        return $column - 1;
    }

    /** Everything written inside an element, the readings of foreign scripts left out. */
    private static function texts(\XMLReader $xml, string $until): string
    {
        $text = '';
        if ($xml->isEmptyElement) {
            return '';
        }
        $reading = false;
        while ($xml->read() && ! ($xml->nodeType === \XMLReader::END_ELEMENT && $xml->localName === $until)) {
            if ($xml->localName === 'rPh') {
                $reading = $xml->nodeType === \XMLReader::ELEMENT;
            } elseif ($xml->nodeType === \XMLReader::ELEMENT && $xml->localName === 't' && ! $reading && ! $xml->isEmptyElement) {
                $text .= $xml->readString();
            }
        }

        return $text;
    }

    private function open(string $entry): \XMLReader
    {
        // Entities are not put in and nothing is fetched: neither is asked for, and neither is the default.
        return \XMLReader::open(
            'zip://'.$this->path.'#'.$entry,
            null,
            LIBXML_NONET | LIBXML_COMPACT | LIBXML_NOERROR | LIBXML_NOWARNING,
        ) ?:
            throw Refused::because('unreadable', ['format' => 'a workbook', 'detail' => 'it is broken.']);
    }
}
