<?php

declare(strict_types=1);

namespace Ringo\Format;

/** Reads the first sheet of an Office Open XML workbook (ECMA-376) as a table of texts: headings first, then rows by heading. */
final readonly class XlsxTable
{
    /** A part of a workbook larger than this, unpacked, is refused. */
    private const MOST_BYTES = 50_000_000;

    private const MOST_COLUMNS = 200;

    /** Number formats of ECMA-376 (18.8.30) that mean a day. */
    private const DAYS = [14, 15, 16, 17, 22];

    /**
     * @return array{list<string>, \Generator<int, array<string, string>>} headings and rows
     *
     * @throws \DomainException in words fit to show
     */
    public static function of(string $path): array
    {
        $zip = new \ZipArchive;
        if ($zip->open($path, \ZipArchive::RDONLY) !== true) {
            throw new \DomainException('This is no workbook that can be read. Save it as XLSX or CSV.');
        }
        $shared = self::shared(self::part($zip, 'xl/sharedStrings.xml') ?? '');
        $days = self::dayStyles(self::part($zip, 'xl/styles.xml') ?? '');
        $sheet = self::part($zip, 'xl/worksheets/sheet1.xml') ?? throw new \DomainException('The workbook has no sheet.');
        $zip->close();
        $rows = self::rows($sheet, $shared, $days);
        $header = $rows->current();
        if (! is_array($header) || trim(implode('', $header)) === '') {
            throw new \DomainException('The first row of the first sheet must hold the headings.');
        }
        $named = [];
        for ($i = 0; $i <= max(0, ...array_keys($header)); $i++) {
            $name = trim($header[$i] ?? '') ?: 'column '.($i + 1);
            for ($base = $name, $n = 2; in_array($name, $named, true); $n++) {
                $name = "{$base} ({$n})";
            }
            $named[] = $name;
        }

        return [$named, (static function () use ($rows, $named): \Generator {
            for ($rows->next(); $rows->valid(); $rows->next()) {
                $row = $rows->current();
                if (trim(implode('', $row)) !== '') {
                    yield array_combine($named, array_map(static fn (int $i): string => trim($row[$i] ?? ''), array_keys($named)));
                }
            }
        })()];
    }

    private static function part(\ZipArchive $zip, string $name): ?string
    {
        $stat = $zip->statName($name);
        if ($stat === false) {
            return null;
        }
        if ($stat['size'] > self::MOST_BYTES) {
            throw new \DomainException('The workbook is too large; save the sheet that is wanted as CSV.');
        }
        $text = $zip->getFromName($name);

        return $text === false ? null : $text;
    }

    /** @return list<string> */
    private static function shared(string $xml): array
    {
        $texts = [];
        foreach (self::elements($xml, 'si') as $one) {
            preg_match_all('~<t(?:\s[^>]*)?>(.*?)</t>~s', $one, $m);
            $texts[] = html_entity_decode(implode('', $m[1]), ENT_XML1 | ENT_QUOTES, 'UTF-8');
        }

        return $texts;
    }

    /** @return array<int, true> styles whose cells are days */
    private static function dayStyles(string $xml): array
    {
        $own = [];
        preg_match_all('~<numFmt\s[^>]*numFmtId="(\d+)"[^>]*formatCode="([^"]*)"~', $xml, $m, PREG_SET_ORDER);
        foreach ($m as [, $id, $code]) {
            $own[(int) $id] = preg_match('/[dy]/i', (string) preg_replace('/"[^"]*"|\[[^\]]*\]/', '', html_entity_decode($code))) === 1;
        }
        $days = [];
        $styles = preg_match('~<cellXfs\b.*?</cellXfs>~s', $xml, $part) === 1 ? $part[0] : '';
        preg_match_all('~<xf\b[^>]*numFmtId="(\d+)"~', $styles, $found);
        foreach ($found[1] as $n => $id) {
            if (in_array((int) $id, self::DAYS, true) || ($own[(int) $id] ?? false)) {
                $days[$n] = true;
            }
        }

        return $days;
    }

    /**
     * @param list<string> $shared
     * @param array<int, true> $days
     *
     * @return \Generator<int, array<int, string>> cells by column from 0
     */
    private static function rows(string $xml, array $shared, array $days): \Generator
    {
        foreach (self::elements($xml, 'row') as $row) {
            $cells = [];
            preg_match_all('~<c\b([^>]*?)(?:/>|>(.*?)</c>)~s', $row, $found, PREG_SET_ORDER);
            foreach ($found as $at => $cell) {
                $column = preg_match('/\br="([A-Z]+)\d*"/', $cell[1], $m) === 1 ? self::column($m[1]) : $at;
                if ($column < self::MOST_COLUMNS) {
                    $cells[$column] = self::text($cell[1], $cell[2] ?? '', $shared, $days);
                }
            }
            yield $cells;
        }
    }

    /**
     * @param list<string> $shared
     * @param array<int, true> $days
     */
    private static function text(string $attributes, string $inside, array $shared, array $days): string
    {
        $type = preg_match('/\bt="(\w+)"/', $attributes, $m) === 1 ? $m[1] : 'n';
        $value = preg_match('~<v[^>]*>(.*?)</v>~s', $inside, $m) === 1 ? html_entity_decode($m[1], ENT_XML1 | ENT_QUOTES, 'UTF-8') : '';
        if ($type === 's') {
            return $shared[(int) $value] ?? '';
        }
        if ($type === 'inlineStr') {
            preg_match_all('~<t(?:\s[^>]*)?>(.*?)</t>~s', $inside, $m);

            return html_entity_decode(implode('', $m[1]), ENT_XML1 | ENT_QUOTES, 'UTF-8');
        }
        if ($type === 'b') {
            return $value === '1' ? 'yes' : 'no';
        }
        $style = preg_match('/\bs="(\d+)"/', $attributes, $m) === 1 ? (int) $m[1] : -1;

        // Days are counted from 30 December 1899.
        return $type === 'n' && isset($days[$style]) && is_numeric($value) ? gmdate('Y-m-d', (int) round(((float) $value - 25_569) * 86_400)) : $value;
    }

    private static function column(string $letters): int
    {
        $n = 0;
        foreach (str_split($letters) as $letter) {
            $n = $n * 26 + ord($letter) - 64;
        }

        return $n - 1;
    }

    /** @return \Generator<int, string> each element of a name, as text */
    private static function elements(string $xml, string $name): \Generator
    {
        for ($at = 0; preg_match("~<{$name}(?=[\\s>/])~", $xml, $m, PREG_OFFSET_CAPTURE, $at) === 1;) {
            $end = strpos($xml, '>', $m[0][1]);
            if ($end === false) {
                return;
            }
            if ($xml[$end - 1] === '/') {
                $at = $end + 1;
                yield '';

                continue;
            }
            $close = strpos($xml, "</{$name}>", $end);
            if ($close === false) {
                return;
            }
            yield substr($xml, $end + 1, $close - $end - 1);
            $at = $close;
        }
    }
}
