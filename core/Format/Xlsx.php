<?php

declare(strict_types=1);

namespace Ringo\Format;

/**
 * Writes one sheet of text cells as an Office Open XML workbook (ECMA-376), row by row.
 *
 * Cells are inline strings, so that numbers keep their zeros and nothing is taken for a formula.
 */
final readonly class Xlsx
{
    /**
     * @param iterable<list<string>> $rows the first is the heading
     *
     * @throws \RuntimeException where the file cannot be written
     */
    public function write(string $path, iterable $rows, string $name = 'Records'): void
    {
        $sheet = tempnam(sys_get_temp_dir(), 'sheet');
        $out = $sheet === false ? false : fopen($sheet, 'wb');
        if ($sheet === false || $out === false) {
            throw new \RuntimeException('The workbook cannot be written: there is no room for temporary files.');
        }
        fwrite($out, '<?xml version="1.0" encoding="UTF-8" standalone="yes"?><worksheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><sheetData>');
        $n = 0;
        foreach ($rows as $row) {
            $n++;
            $cells = '';
            foreach ($row as $i => $cell) {
                $cells .= '<c r="'.self::column($i).$n.'" t="inlineStr"><is><t xml:space="preserve">'.htmlspecialchars(self::clean($cell), ENT_XML1 | ENT_QUOTES, 'UTF-8').'</t></is></c>';
            }
            fwrite($out, "<row r=\"{$n}\">{$cells}</row>");
        }
        fwrite($out, '</sheetData></worksheet>');
        fclose($out);
        $zip = new \ZipArchive;
        if ($zip->open($path, \ZipArchive::CREATE | \ZipArchive::OVERWRITE) !== true) {
            throw new \RuntimeException("{$path}: cannot be written.");
        }
        $zip->addFromString('[Content_Types].xml', '<?xml version="1.0" encoding="UTF-8"?><Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/><Override PartName="/xl/worksheets/sheet1.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml"/></Types>');
        $zip->addFromString('_rels/.rels', '<?xml version="1.0" encoding="UTF-8"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="xl/workbook.xml"/></Relationships>');
        $zip->addFromString('xl/workbook.xml', '<?xml version="1.0" encoding="UTF-8"?><workbook xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"><sheets><sheet name="'.htmlspecialchars(mb_substr((string) preg_replace('~[\[\]:*?/\\\\]~', ' ', $name), 0, 31), ENT_XML1 | ENT_QUOTES).'" sheetId="1" r:id="rId1"/></sheets></workbook>');
        $zip->addFromString('xl/_rels/workbook.xml.rels', '<?xml version="1.0" encoding="UTF-8"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/worksheet" Target="worksheets/sheet1.xml"/></Relationships>');
        $zip->addFile($sheet, 'xl/worksheets/sheet1.xml');
        $zip->close();
        unlink($sheet);
    }

    /** 'A' to 'Z', then 'AA'. */
    private static function column(int $i): string
    {
        return ($i >= 26 ? self::column(intdiv($i, 26) - 1) : '').chr(65 + $i % 26);
    }

    /** Without signs that XML does not allow. */
    private static function clean(string $text): string
    {
        return (string) preg_replace('/[^\x{9}\x{A}\x{D}\x{20}-\x{D7FF}\x{E000}-\x{FFFD}\x{10000}-\x{10FFFF}]/u', '', mb_scrub($text));
    }
}
