<?php

declare(strict_types=1);

namespace Tests\Support;

/** Writes a small workbook as a spreadsheet program would: shared texts, styled dates, cells left out. */
final class Workbook
{
    /** @param  list<string>  $rows  the sheet's rows as XML */
    public static function write(string $path, array $rows, string $shared, bool $from1904 = false): void
    {
        $main = 'xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"';
        $zip = new \ZipArchive;
        $zip->open($path, \ZipArchive::CREATE | \ZipArchive::OVERWRITE);
        $zip->addFromString(
            'xl/workbook.xml',
            "<workbook $main xmlns:r=\"http://schemas.openxmlformats.org/officeDocument/2006/relationships\"><workbookPr date1904=\"".
                ($from1904 ? '1' : '0').
                '"/><sheets><sheet name="Table" sheetId="4" r:id="rId9"/></sheets></workbook>',
        );
        $zip->addFromString(
            'xl/_rels/workbook.xml.rels',
            '<Relationships><Relationship Target="worksheets/table.xml" Id="rId9" Type="x"/></Relationships>',
        );
        $zip->addFromString('xl/sharedStrings.xml', "<sst $main>$shared</sst>");
        $zip->addFromString(
            'xl/styles.xml',
            "<styleSheet $main><numFmts><numFmt numFmtId=\"170\" formatCode=\"dd\\/mm\\/yyyy hh:mm\"/><numFmt numFmtId=\"171\" formatCode=\"#,##0.00\\ &quot;days&quot;\"/></numFmts><cellXfs><xf numFmtId=\"0\"/><xf numFmtId=\"14\"/><xf numFmtId=\"170\"/><xf numFmtId=\"171\"/></cellXfs></styleSheet>",
        );
        $zip->addFromString('xl/worksheets/table.xml', "<worksheet $main><sheetData>".implode('', $rows).'</sheetData></worksheet>');
        $zip->close();
    }
}
