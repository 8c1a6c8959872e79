<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

use Ringo\Fit\Meaning;
use Ringo\Knowledge\Ranking\Features;
use Ringo\Knowledge\Ranking\Pairing;
use Ringo\Knowledge\Ranking\Precedents;
use Ringo\Knowledge\Ranking\Reading;
use Ringo\Knowledge\Ranking\WordMatch;
use Ringo\Knowledge\Units\Cutter;
use Ringo\Knowledge\Units\Unit;
use Ringo\Language\Lexicon;
use Ringo\Language\Vocabulary;
use Ringo\Language\WordVectors;

/**
 * Finds what may answer a question: passages and tables by BM25 (S. Robertson and H. Zaragoza, "The Probabilistic Relevance Framework:
 * BM25 and Beyond", 2009) over stems and rings of words for the same thing, cut into units, each with its features.
 */
final class Search
{
    private const K1 = 1.4;

    private const B = 0.6;

    private const RING = 0.75;

    private const PASSAGES = 12;

    /** Up to so many passages all are looked at, whatever words they share. */
    private const ALL = 40;

    private readonly Features $features;

    private readonly Cutter $cutter;

    public function __construct(private readonly Shelf $shelf, Terms $terms, Vocabulary $words, Lexicon $lexicon)
    {
        $this->cutter = new Cutter;
        $this->features = new Features(
            $terms,
            new WordMatch($lexicon, WordVectors::english(), $words),
            Meaning::english(),
            Pairing::english(),
            new Precedents(dirname(__DIR__).'/Language/en/asking'),
            $words,
        );
    }

    /** @return list<Reading> */
    public function readings(Question $question): array
    {
        $ranked = $this->ranked($question);
        $top = $ranked === [] ? 1.0 : max(0.001, ...array_values($ranked));
        $this->shelf->prepare(array_keys($ranked));
        /** @var list<array{Unit, float}> $units */
        $units = [];
        foreach ($ranked as $id => $rank) {
            foreach ($this->cutter->passage($this->shelf->passage($id), $id) as $unit) {
                $units[] = [$unit, $rank / $top];
            }
        }

        return $this->features->of($question, $units);
    }

    /** @return array<int, float> passage => BM25 score, best first */
    private function ranked(Question $question): array
    {
        $scores = [];
        $n = $this->shelf->count();
        $average = max(1.0, $this->shelf->averageLength());
        foreach ($question->units as $unit) {
            $keys = [[$unit['stem'], 1.0]];
            foreach ($unit['rings'] as $ring) {
                $keys[] = ['~'.$ring, self::RING];
            }
            foreach ($unit['near'] as $stem => $likely) {
                $keys[] = [(string) $stem, $likely];
            }
            $here = [];
            foreach ($keys as [$key, $share]) {
                $df = $this->shelf->spread($key);
                if ($df === 0) {
                    continue;
                }
                $idf = log(1 + ($n - $df + 0.5) / ($df + 0.5));
                foreach ($this->shelf->postings($key) as $id => $tf) {
                    $score = $share * $idf * $tf * (self::K1 + 1) / ($tf + self::K1 * (1 - self::B + self::B * $this->shelf->length($id) / $average));
                    $here[$id] = max($here[$id] ?? 0.0, $score);
                }
            }
            foreach ($here as $id => $score) {
                $scores[$id] = ($scores[$id] ?? 0.0) + $unit['weight'] * $score;
            }
        }
        foreach ($n <= self::ALL ? $this->shelf->ids() : [] as $id) {
            $scores[$id] ??= 0.0;
        }
        arsort($scores);

        return array_slice($scores, 0, $n <= self::ALL ? $n : self::PASSAGES, true);
    }
}
