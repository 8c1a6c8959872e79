<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Ranking;

use Ringo\Fit\Meaning\Side;
use Ringo\Fit\Meaning\Table;
use Ringo\Fit\Meaning\Word;
use Ringo\Language\Tokenizer;

/**
 * How well a text answers what was asked, by what its words mean to those who ask and to what answers them: 'my feet are like balloons'
 * and 'shoes for swollen feet'. Learned from questions and sentences that answer them (training/asking.py).
 */
final class Pairing
{
    /** Texts whose words are remembered. */
    private const REMEMBERED = 3_000;

    /** Pairs of words whose likeness is remembered. */
    private const PAIRS_REMEMBERED = 100_000;

    /** Few words of little weight align with less. */
    private const STEADY = 0.5;

    /** What of a match counts whatever the other word weighs (training/asking.py). */
    private const AT_LEAST = 0.3;

    /** @var array<string, Side> by text */
    private array $sides = [];

    /** @var array<int, array<int, float>> likeness of two words, cubed */
    private array $like = [];

    private int $remembered = 0;

    private readonly Table $table;

    private readonly Tokenizer $tokenizer;

    public function __construct(string $folder)
    {
        $this->table = new Table($folder);
        $this->tokenizer = new Tokenizer;
    }

    public static function english(): self
    {
        static $pairing = null;

        return $pairing ??= new self(dirname(__DIR__, 2).'/Language/en/asking');
    }

    /** Likeness of a question and a text, -1 to 1; nothing where either has no word that is known. */
    public function alike(string $asked, string $text): float
    {
        return self::dot($this->side($asked)->sum, $this->side($text)->sum);
    }

    /** Share of a question's words, by their weight, that a text has something like, 0 to 1. */
    public function aligned(string $asked, string $text): float
    {
        $mine = $this->side($asked);
        $theirs = $this->side($text);
        $counts = array_map(static fn (float $weight): float => self::AT_LEAST + (1 - self::AT_LEAST) * $weight / $theirs->heaviest, $theirs->weights);
        $sum = 0.0;
        foreach ($mine->words as $n => $word) {
            $known = &$this->like[$word->id];
            $most = 0.0;
            foreach ($theirs->words as $z => $other) {
                $like = ($known[$other->id] ??= $this->likeness($word, $other)) * $counts[$z];
                $most = $like > $most ? $like : $most;
            }
            unset($known);
            $sum += $mine->weights[$n] * $most;
        }

        return $sum / ($mine->weight + self::STEADY);
    }

    private function likeness(Word $a, Word $b): float
    {
        if (++$this->remembered > self::PAIRS_REMEMBERED) {
            $this->like = [];
            $this->remembered = 1;
        }

        return max(0.0, self::dot($a->vector, $b->vector)) ** 3;
    }

    private function side(string $text): Side
    {
        if (isset($this->sides[$text])) {
            return $this->sides[$text];
        }
        if (count($this->sides) > self::REMEMBERED) {
            $this->sides = [];
        }
        $words = array_values(array_filter(array_map($this->table->word(...), $this->tokenizer->words($text))));

        return $this->sides[$text] = new Side($words, array_column($words, 'weight'), $this->table->trained()['dimensions']);
    }

    /**
     * @param list<float> $a
     * @param list<float> $b
     */
    private static function dot(array $a, array $b): float
    {
        $sum = 0.0;
        foreach ($a as $i => $value) {
            $sum += $value * $b[$i];
        }

        return $sum;
    }
}
