<?php

declare(strict_types=1);

namespace Ringo\Format;

/**
 * Reads tables that others wrote as CSV (RFC 4180, and its cousins with other delimiters and encodings), row after row in constant memory.
 *
 * Encoding and delimiter are told by the text itself.
 */
final readonly class CsvTable
{
    private const DELIMITERS = [',', ';', "\t", '|'];

    /** @param list<string> $header */
    private function __construct(private string $path, public string $encoding, public string $delimiter, public array $header)
    {
    }

    /** @throws \DomainException in words fit to show, where it is no table */
    public static function of(string $path): self
    {
        $head = (string) file_get_contents($path, false, null, 0, 65536);
        if (trim($head, "\0 \r\n\t\xEF\xBB\xBF\xFF\xFE") === '') {
            throw new \DomainException('The file is empty.');
        }
        if (str_starts_with($head, "PK\x03\x04")) {
            throw new \DomainException('This is a spreadsheet, not CSV. Save it as CSV first.');
        }
        $encoding = match (true) {
            str_starts_with($head, "\xFF\xFE") => 'UTF-16LE',
            str_starts_with($head, "\xFE\xFF") => 'UTF-16BE',
            mb_check_encoding(substr($head, 0, (int) (strrpos($head, "\n") ?: strlen($head))), 'UTF-8') => 'UTF-8',
            default => 'Windows-1252',
        };
        $text = self::decoded($head, $encoding);
        if (preg_match('/[\x00-\x08\x0E-\x1A]/', substr($text, 0, 2000)) === 1) {
            throw new \DomainException('This is no text: a CSV file is wanted.');
        }
        $delimiter = self::delimiter($text);
        $table = new self($path, $encoding, $delimiter, []);
        foreach ($table->lines() as $cells) {
            return new self($path, $encoding, $delimiter, self::named($cells));
        }

        throw new \DomainException('The file has no line of headings.');
    }

    /** @return \Generator<int, array<string, string>> rows by heading; keys are line numbers as an editor counts rows, from 2 */
    public function rows(): \Generator
    {
        $width = count($this->header);
        foreach ($this->lines() as $n => $cells) {
            if ($n === 1 || $cells === [null] || trim(implode('', array_map(strval(...), $cells))) === '') {
                continue;
            }
            $cells = array_map(static fn (mixed $cell): string => trim((string) $cell), $cells);
            yield $n => array_combine($this->header, array_slice(array_pad($cells, $width, ''), 0, $width));
        }
    }

    public function count(): int
    {
        $n = 0;
        foreach ($this->rows() as $row) {
            $n++;
        }

        return $n;
    }

    /** @return \Generator<int, list<string|null>> */
    private function lines(): \Generator
    {
        $stream = fopen($this->path, 'rb') ?: throw new \DomainException('The file cannot be read.');
        if ($this->encoding !== 'UTF-8') {
            stream_filter_append($stream, 'convert.iconv.'.$this->encoding.'.UTF-8');
        }
        for ($n = 1; ($cells = fgetcsv($stream, null, $this->delimiter, '"', '')) !== false; $n++) {
            if ($n === 1) {
                $cells[0] = (string) preg_replace('/^\x{FEFF}/u', '', (string) $cells[0]);
            }
            yield $n => $cells;
        }
        fclose($stream);
    }

    private static function decoded(string $bytes, string $encoding): string
    {
        return (string) preg_replace('/^\x{FEFF}/u', '', $encoding === 'UTF-8' ? $bytes : (string) mb_convert_encoding($bytes, 'UTF-8', $encoding));
    }

    private static function delimiter(string $text): string
    {
        $lines = array_slice(preg_split('/\R/', $text) ?: [], 0, 12);
        $best = ',';
        $most = -1.0;
        foreach (self::DELIMITERS as $delimiter) {
            $counts = array_map(static fn (string $line): int => count(str_getcsv($line, $delimiter, '"', '')), array_filter($lines, static fn (string $line): bool => trim($line) !== ''));
            $first = reset($counts) ?: 1;
            $same = count(array_filter($counts, static fn (int $n): bool => $n === $first));
            $score = $first > 1 ? $first * $same / max(1, count($counts)) : 0.0;
            if ($score > $most) {
                [$best, $most] = [$delimiter, $score];
            }
        }

        return $best;
    }

    /**
     * @param list<string|null> $cells
     *
     * @return list<string> headings, told apart where two are the same
     */
    private static function named(array $cells): array
    {
        $names = [];
        foreach ($cells as $i => $cell) {
            $name = trim((string) $cell);
            $name = $name === '' ? 'column '.($i + 1) : $name;
            for ($base = $name, $n = 2; in_array($name, $names, true); $n++) {
                $name = "{$base} ({$n})";
            }
            $names[] = $name;
        }

        return $names;
    }
}
