<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Units;

use Ringo\Knowledge\Passage;
use Ringo\Knowledge\Table;

/** Cuts passages and tables into units. */
final readonly class Cutter
{
    /** A value: money, a time, a figure with what it counts, a telephone number. */
    private const VALUE = '/(?:\b(?:between|from)\s+)?'.self::TIME.'(?:\s?(?:to|-|–|and|until)\s?'.self::TIME.')?|[£$€]\s?\d+(?:,\d{3})*(?:\.\d+)?|\b0\d{2,4}[ \d]{5,9}\b|\b(?:'.self::COUNT.'\s(?:to|or|and)\s)?'.self::COUNT.'\s(?:%|per cent|\w+)|\b(?:half|free)\b/iu';

    private const TIME = '(?:\b\d{1,2}(?:[:.]\d\d)?\s?(?:am|pm)\b|\bnoon\b|\bmidnight\b)';

    private const COUNT = '(?:\d+(?:[.,]\d+)?|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|fourteen|fifteen|twenty|thirty|ninety)';

    /** A sentence is a list of values from so many on. */
    private const SEVERAL = 2;

    private const LEAD_MOST = 60;

    /** Words before the first value that are said again with a later one. */
    private const OPENING_WORDS = 9;

    /** @return list<Unit> */
    public function passage(Passage $passage, int $id): array
    {
        $table = $passage->table();
        if ($table !== null) {
            return $this->table($table, $passage, $id);
        }
        $units = [];
        foreach ($passage->sentences as $n => $sentence) {
            $before = $n > 0 ? $passage->sentences[$n - 1] : '';
            if (preg_match('/^([^:]{2,'.self::LEAD_MOST.'}):\s+(\S.*)$/su', $sentence, $m) === 1) {
                $units[] = new Unit(Kind::Item, $sentence, $m[1], $before, "{$id}:items", $passage, $n);

                continue;
            }
            $units[] = new Unit($passage->kind === 'qa' ? Kind::Reply : Kind::Sentence, $sentence, '', $before, "{$id}:sentences", $passage, $n);
            array_push($units, ...$this->clauses($sentence, $passage, $id, $n));
        }

        return $units;
    }

    /**
     * Clauses with a value each, where a sentence holds several: 'A deposit of £25 holds a pitch and £50 a pod' is 'A deposit of £25 holds
     * a pitch' and 'A deposit of £50 a pod'.
     *
     * @return list<Unit>
     */
    private function clauses(string $sentence, Passage $passage, int $id, int $n): array
    {
        $line = rtrim($sentence, '. ');
        if (preg_match_all(self::VALUE, $line, $found, PREG_OFFSET_CAPTURE) < self::SEVERAL) {
            return [];
        }
        $values = $found[0];
        $cuts = [0];
        foreach (array_slice($values, 1) as $k => [, $at]) {
            $from = $values[$k][1] + strlen($values[$k][0]);
            $between = substr($line, $from, $at - $from);
            if (preg_match_all('/[;,](?!\d)(?:\s+(?:and|but|or)\b)?\s*|\s+(?:and|or|but)\s+|\s[—–]\s/u', $between, $seams, PREG_OFFSET_CAPTURE) > 0) {
                [$seam, $place] = $seams[0][count($seams[0]) - 1];
                $cuts[] = $from + $place + strlen($seam);
            }
        }
        if (count($cuts) < self::SEVERAL) {
            return [];
        }
        $opening = rtrim(substr($line, 0, $values[0][1]));
        $units = [];
        foreach ($cuts as $k => $cut) {
            $part = trim(substr($line, $cut, ($cuts[$k + 1] ?? strlen($line) + 1) - $cut));
            $part = trim((string) preg_replace('/[;,—–]$|\s+(?:and|or|but)$|,\s+(?:and|or|but)$/u', '', $part), ' ,;');
            // A clause that begins with its value is said with what stood before the first: 'An MOT is £55 for a van'.
            $begins = preg_match('/^(?:(?:for|from|at|to|by|in)\s+)?(?:'.substr(self::VALUE, 1, -3).')/iu', $part) === 1;
            $alike = preg_match(self::VALUE, $part, $own) === 1 && $this->sort($own[0]) === $this->sort($values[0][0]);
            $units[] = new Unit(Kind::Clause, $k > 0 && $begins && $alike && str_word_count($opening) <= self::OPENING_WORDS ? $this->joined($opening, $part) : $part, $k === 0 ? '' : $this->beginning($line), $sentence, "{$id}:{$n}:clauses", $passage, $n);
        }

        return $units;
    }

    /** Money, a time, a telephone number or a count: only like values can stand for one another. */
    private function sort(string $value): string
    {
        return preg_match('/^0\d{2,4}[ \d]{5,9}$/', $value) === 1 ? 'telephone' : (preg_match('/[£$€]|^(?:half|free)$/iu', $value) === 1 ? 'money' : (preg_match('/'.self::TIME.'/iu', $value) === 1 ? 'time' : 'count'));
    }

    /** 'Open from' and 'from 9 am' share a word. */
    private function joined(string $opening, string $part): string
    {
        $last = strrchr(' '.$opening, ' ');

        return $last !== false && str_starts_with(mb_strtolower($part), mb_strtolower(trim($last)).' ') ? substr($opening, 0, -strlen(trim($last))).$part : $opening.' '.$part;
    }

    /** The words a sentence begins with, up to its verb. */
    private function beginning(string $first): string
    {
        return preg_match('/^(.{2,40}?)\s(?:is|are|was|were|costs?|has|have|can|may|must|will|starts?|takes?|comes?|runs?|lasts?|at|for)\b/iu', $first, $m) === 1 ? $m[1] : '';
    }

    /** @return list<Unit> every cell that holds something, and every row of several */
    private function table(Table $table, Passage $passage, int $id): array
    {
        $units = [];
        foreach ($table->rows as $r => $row) {
            $lead = $row[0];
            if (count($table->columns) > 2) {
                $units[] = new Unit(Kind::Row, implode('. ', array_slice($row, 1)), $lead, implode('. ', $table->columns), "{$id}:rows", $passage, $r + 1, $table, $r);
            }
            foreach ($table->columns as $c => $column) {
                if ($c > 0 && trim($row[$c] ?? '') !== '') {
                    $units[] = new Unit(Kind::Cell, $row[$c], $lead, $column, "{$id}:cells", $passage, $r + 1, $table, $r, $c);
                }
            }
        }

        return $units;
    }
}
