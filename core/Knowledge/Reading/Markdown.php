<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Reading;

use Ringo\Knowledge\Document;

/** Reads Markdown: headings, paragraphs, lists, tables, questions with answers. */
final readonly class Markdown
{
    public function read(string $source, string $text): Document
    {
        $builder = new Builder($source);
        // Front matter is for machines.
        $text = (string) preg_replace('/\A---\R.*?\R---\R/s', '', str_replace("\u{FEFF}", '', $text));
        $lines = preg_split('/\R/', $text) ?: [];
        $paragraph = '';
        $flush = static function () use (&$paragraph, $builder): void {
            if (trim($paragraph) !== '') {
                // A bold line alone is a heading of its own, a bold question a question.
                if (preg_match('/^(?:\*\*|__)([^*_]{3,90})(?:\*\*|__):?$/u', trim($paragraph), $m) === 1) {
                    str_ends_with(trim($m[1]), '?') ? $builder->paragraph($m[1]) : $builder->heading(6, rtrim($m[1], ':'));
                } else {
                    $builder->paragraph($paragraph);
                }
            }
            $paragraph = '';
        };
        for ($i = 0, $n = count($lines); $i < $n; $i++) {
            $line = rtrim($lines[$i]);
            if (preg_match('/^```/', $line) === 1) {
                $flush();
                for ($i++; $i < $n && preg_match('/^```/', $lines[$i]) !== 1; $i++) {
                    $builder->paragraph($lines[$i]);
                }

                continue;
            }
            if (preg_match('/^\s{0,3}(#{1,6})\s+(.*?)\s*#*$/', $line, $m) === 1) {
                $flush();
                $builder->heading(strlen($m[1]), $m[2]);
            } elseif ($paragraph !== '' && preg_match('/^(=+|-{3,})\s*$/', $line, $m) === 1 && ! str_contains(trim($paragraph), "\n")) {
                $builder->heading($m[1][0] === '=' ? 1 : 2, trim($paragraph));
                $paragraph = '';
            } elseif (preg_match('/^\s*\|?.*\|.*$/', $line) === 1 && isset($lines[$i + 1]) && preg_match('/^\s*\|?\s*:?-{2,}:?\s*(\|\s*:?-{2,}:?\s*)*\|?\s*$/', $lines[$i + 1]) === 1 && str_contains($lines[$i + 1], '|')) {
                $flush();
                $columns = $this->cells($line);
                $rows = [];
                for ($i += 2; $i < $n && str_contains($lines[$i], '|') && trim($lines[$i]) !== ''; $i++) {
                    $rows[] = $this->cells($lines[$i]);
                }
                $i--;
                $builder->table($columns, $rows);
            } elseif (preg_match('/^\s*(?:[-*+•]|\d+[.)])\s+(.*)$/u', $line, $m) === 1) {
                $flush();
                $item = $m[1];
                while (isset($lines[$i + 1]) && preg_match('/^\s{2,}\S/', $lines[$i + 1]) === 1 && preg_match('/^\s*(?:[-*+•]|\d+[.)])\s+/u', $lines[$i + 1]) !== 1) {
                    $item .= ' '.trim($lines[++$i]);
                }
                $builder->item($item);
            } elseif (trim($line) === '' || preg_match('/^\s*([-*_])(\s*\1){2,}\s*$/', $line) === 1) {
                $flush();
            } else {
                $line = (string) preg_replace('/^\s*>\s?/', '', $line);
                if ($paragraph !== '' && preg_match('/^(?:\*\*)?(?:Q|A|Question|Answer)\s?[:.)]/i', ltrim($line)) === 1) {
                    $flush();
                }
                $paragraph .= ($paragraph === '' ? '' : "\n").$line;
            }
        }
        $flush();

        return $builder->document();
    }

    /** @return list<string> */
    private function cells(string $line): array
    {
        $line = trim($line);
        $line = (string) preg_replace('/^\||(?<!\\\\)\|$/', '', $line);

        return array_map(static fn (string $cell): string => trim(str_replace('\|', '|', $cell)), preg_split('/(?<!\\\\)\|/', $line) ?: []);
    }
}
