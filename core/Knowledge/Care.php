<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

use Ringo\Language\Vocabulary;
use Ringo\Speech\Spoken;

/** Looks for what is wrong with what a business has written, before a caller finds it. */
final readonly class Care
{
    private Terms $terms;

    private Spoken $spoken;

    public function __construct(Vocabulary $words)
    {
        $this->terms = new Terms($words);
        $this->spoken = new Spoken;
    }

    /**
     * @param list<Document> $documents
     *
     * @return list<array{rule: string, place: string, message: string, fix: string}>
     */
    public function findings(array $documents, \DateTimeImmutable $today): array
    {
        return [...$this->contradictions($documents), ...$this->stale($documents, $today), ...$this->long($documents), ...$this->holes($documents)];
    }

    /**
     * Two prices, times or lengths for the same thing.
     *
     * @param list<Document> $documents
     *
     * @return list<array{rule: string, place: string, message: string, fix: string}>
     */
    private function contradictions(array $documents): array
    {
        $said = [];
        $found = [];
        foreach ($documents as $document) {
            foreach ($document->passages as $passage) {
                foreach ($passage->sentences as $sentence) {
                    preg_match_all('/[£$€]\s?\d+(?:\.\d\d)?|\b\d+(?:\.\d+)?\s?(?:%|per cent|days?|weeks?|months?|hours?|minutes?|nights?|years?)\b/iu', $sentence, $values);
                    if (count($values[0]) !== 1) {
                        continue;
                    }
                    $about = $this->about(str_replace($values[0][0], ' ', $sentence));
                    if (count($about) < 2) {
                        continue;
                    }
                    $unit = (string) preg_replace('/[\d.,\s]+/', '', mb_strtolower($values[0][0]));
                    foreach ($said as [$other, $otherUnit, $value, $place, $words]) {
                        $shared = count(array_intersect_key($about, $other));
                        if ($otherUnit === $unit && $this->number($value) !== $this->number($values[0][0]) && $shared / max(1, count($about + $other)) >= 0.7) {
                            $found[] = ['rule' => 'contradiction', 'place' => $passage->place(), 'message' => "“{$sentence}” says {$values[0][0]}; {$place} says {$value}: “{$words}”", 'fix' => 'Keep one of the two.'];
                        }
                    }
                    $said[] = [$about, $unit, $values[0][0], $passage->place(), $sentence];
                }
            }
            foreach ($document->tables as $table) {
                $rows = [];
                foreach ($table->rows as $row) {
                    $name = mb_strtolower(trim($row[0]));
                    if (isset($rows[$name]) && $rows[$name] !== $row) {
                        $found[] = ['rule' => 'contradiction', 'place' => $table->place(), 'message' => "“{$row[0]}” stands twice in the table, with different values.", 'fix' => 'Keep one of the two rows.'];
                    }
                    $rows[$name] = $row;
                }
            }
        }

        return array_slice($found, 0, 30);
    }

    /**
     * Days that have passed.
     *
     * @param list<Document> $documents
     *
     * @return list<array{rule: string, place: string, message: string, fix: string}>
     */
    private function stale(array $documents, \DateTimeImmutable $today): array
    {
        $months = 'january|february|march|april|may|june|july|august|september|october|november|december';
        $found = [];
        foreach ($documents as $document) {
            foreach ($document->passages as $passage) {
                foreach ($passage->sentences as $sentence) {
                    if (preg_match('/\b(?:(\d{1,2})(?:st|nd|rd|th)?\s+)?('.$months.')\s+(20\d\d)\b|\b(?:until|in|for|from)\s+(20\d\d)\b/i', $sentence, $m) !== 1) {
                        continue;
                    }
                    $year = ($m[4] ?? '') !== '' ? $m[4] : $m[3];
                    $last = ($m[4] ?? '') !== '' ? $year.'-12-31' : date('Y-m-t', (int) strtotime("1 {$m[2]} {$year}"));
                    $last = ($m[1] ?? '') !== '' ? date('Y-m-d', (int) strtotime("{$m[1]} {$m[2]} {$year}")) : $last;
                    if ($last < $today->format('Y-m-d') && preg_match('/\b(?:founded|since|established|opened|began|started|built)\b/i', $sentence) !== 1) {
                        $found[] = ['rule' => 'stale date', 'place' => $passage->place(), 'message' => "“{$sentence}” speaks of a time that has passed.", 'fix' => 'Bring it up to date or take it out.'];
                    }
                }
            }
        }

        return $found;
    }

    /**
     * Sentences too long to be said in one breath.
     *
     * @param list<Document> $documents
     *
     * @return list<array{rule: string, place: string, message: string, fix: string}>
     */
    private function long(array $documents): array
    {
        $found = [];
        foreach ($documents as $document) {
            foreach ($document->passages as $passage) {
                foreach ($passage->sentences as $sentence) {
                    $seconds = $this->spoken->seconds($sentence);
                    if ($seconds > Spoken::BREATH) {
                        $found[] = ['rule' => 'too long to speak', 'place' => $passage->place(), 'message' => 'A sentence takes '.number_format($seconds, 1).' seconds to say: “'.mb_substr($sentence, 0, 90).' …”', 'fix' => 'Part it in two; callers hear the first.'];
                    }
                }
            }
        }

        return $found;
    }

    /**
     * Tables with empty cells.
     *
     * @param list<Document> $documents
     *
     * @return list<array{rule: string, place: string, message: string, fix: string}>
     */
    private function holes(array $documents): array
    {
        $found = [];
        foreach ($documents as $document) {
            foreach ($document->tables as $table) {
                $empty = [];
                foreach ($table->rows as $row) {
                    foreach ($row as $i => $cell) {
                        if ($cell === '') {
                            $empty[] = $row[0].' / '.$table->columns[$i];
                        }
                    }
                }
                if ($empty !== []) {
                    $found[] = ['rule' => 'empty cells', 'place' => $table->place(), 'message' => count($empty).' empty '.(count($empty) === 1 ? 'cell: ' : 'cells, such as ').implode(', ', array_slice($empty, 0, 3)), 'fix' => 'Fill them, or write “none”.'];
                }
            }
        }

        return $found;
    }

    private function number(string $value): float
    {
        return (float) preg_replace('/[^\d.]/', '', $value);
    }

    /** @return array<string, true> */
    private function about(string $text): array
    {
        $stems = [];
        foreach ($this->terms->of($text) as $unit) {
            if (! $unit['number'] && ! ($unit['part'] ?? false)) {
                $stems[$unit['stem']] = true;
            }
        }

        return $stems;
    }
}
