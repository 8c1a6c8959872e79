<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Reading;

use Ringo\Knowledge\Document;

/** Reads plain text; short lines that stand alone, in capitals or underlined are taken for headings. */
final readonly class PlainText
{
    public function read(string $source, string $text): Document
    {
        $builder = new Builder($source);
        $lines = preg_split('/\R/', str_replace(["\u{FEFF}", "\f"], ['', "\n\n"], $text)) ?: [];
        /** @var list<string> $paragraph */
        $paragraph = [];
        $flush = static function () use (&$paragraph, $builder): void {
            if ($paragraph !== []) {
                $builder->paragraph(implode(' ', $paragraph));
            }
            $paragraph = [];
        };
        for ($i = 0, $n = count($lines); $i < $n; $i++) {
            $line = trim($lines[$i]);
            $next = trim($lines[$i + 1] ?? '');
            if ($line === '') {
                $flush();

                continue;
            }
            if (preg_match('/^([=\-*_~])\1{2,}$/', $line) === 1) {
                continue;
            }
            $alone = $paragraph === [] && $next === '';
            $underlined = $paragraph === [] && preg_match('/^([=\-~])\1{2,}$/', $next) === 1;
            $numbered = preg_match('/^\d+(?:\.\d+)*[.)]?\s+\p{Lu}[^.!?]{2,60}$/u', $line) === 1 && $paragraph === [];
            $capitals = preg_match('/\p{Lu}/u', $line) === 1 && mb_strtoupper($line) === $line && mb_strlen($line) < 70 && str_word_count($line) <= 9 && preg_match('/^\W*\d/', $line) !== 1;
            $short = mb_strlen($line) <= 60 && preg_match('/[.!?,;]$/u', $line) !== 1 && str_word_count($line) <= 8 && preg_match('/^[\p{Lu}\d]/u', $line) === 1 && preg_match('/^[-*•]|\d{3}/u', $line) !== 1;
            // 'Parking' on the first line of a block, and sentences below it.
            $titled = $short && $paragraph === [] && ($i === 0 || trim($lines[$i - 1]) === '') && $next !== '' && str_word_count($line) <= 5 && ! str_contains($line, ':') && (mb_strlen($next) > mb_strlen($line) + 8 || preg_match('/[.!?:]$|:\s/u', $next) === 1);
            if ($titled || $underlined || $capitals && $paragraph === [] || $numbered && $short || $short && $alone && isset($lines[$i + 2]) && preg_match('/:\s*\S/', $line) !== 1 || $short && $paragraph === [] && str_ends_with($line, ':') && $next !== '' && preg_match('/^[-*•]/u', $next) !== 1 && str_word_count($line) <= 5) {
                $flush();
                $title = rtrim((string) preg_replace('/^\d+(?:\.\d+)*[.)]?\s+/', '', $line), ':');
                $builder->heading(2, $capitals ? mb_convert_case(mb_strtolower($title), MB_CASE_TITLE) === $title ? $title : mb_strtoupper(mb_substr($title, 0, 1)).mb_strtolower(mb_substr($title, 1)) : $title);
                $i += $underlined ? 1 : 0;
            } elseif (preg_match('/^(?:[-*•·–]|\(?[a-z\d]{1,2}[.)])\s+(.*)$/u', $line, $m) === 1) {
                $flush();
                $item = $m[1];
                while (isset($lines[$i + 1]) && trim($lines[$i + 1]) !== '' && preg_match('/^\s{2,}\S/', $lines[$i + 1]) === 1 && preg_match('/^\s*(?:[-*•·–]|\(?[a-z\d]{1,2}[.)])\s+/u', $lines[$i + 1]) !== 1) {
                    $item .= ' '.trim($lines[++$i]);
                }
                $builder->item($item);
            } elseif (preg_match('/^(?:Q|Question)\s?[:.)]/i', $line) === 1) {
                $flush();
                $paragraph = [$line];
            } elseif ($paragraph !== [] && preg_match('/^(?:A|Answer)\s?[:.)]/i', $line) === 1) {
                $flush();
                $paragraph = [$line];
            } elseif (mb_strlen($line) <= 70 && preg_match('/[.!?,;]$/u', $line) !== 1 && preg_match('/^[^:]{2,40}:\s*\S/u', $line) === 1 && $paragraph === []) {
                // 'Monday to Friday: 8am to 7pm' on a line of its own.
                $builder->item($line);
            } else {
                $paragraph[] = $line;
            }
        }
        $flush();

        return $builder->document();
    }
}
