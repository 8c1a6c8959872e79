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

    private const TINY = 1e-6;

    /** What of a match counts whatever the other word weighs (training/asking.py). */
    private const AT_LEAST = 0.3;

    /** @var array<string, list<Word>> the words that are known, by text */
    private array $words = [];

    /** @var array<string, list<float>> the sums of what they mean, by text */
    private array $sums = [];

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
        return self::dot($this->sum($asked), $this->sum($text));
    }

    /** @return list<float> what a text means, of length one; noughts where it has no word that is known */
    public function meant(string $text): array
    {
        return $this->sum($text);
    }

    /**
     * Share of a question's words, by their weight, that some texts together have something like, 0 to 1.
     */
    public function aligned(string $asked, string ...$texts): float
    {
        $theirs = array_merge(...array_map($this->words(...), array_values($texts)));
        $heaviest = self::TINY + max([0.0, ...array_column($theirs, 'weight')]);
        $sum = 0.0;
        $whole = self::STEADY;
        foreach ($this->words($asked) as $word) {
            $known = &$this->like[$word->id];
            $most = 0.0;
            foreach ($theirs as $other) {
                $like = $known[$other->id] ??= $this->likeness($word, $other);
                if ($like > $most) {
                    $most = max($most, $like * (self::AT_LEAST + (1 - self::AT_LEAST) * $other->weight / $heaviest));
                }
            }
            unset($known);
            $sum += $word->weight * $most;
            $whole += $word->weight;
        }

        return $sum / $whole;
    }

    private function likeness(Word $a, Word $b): float
    {
        if (++$this->remembered > self::PAIRS_REMEMBERED) {
            $this->like = [];
            $this->remembered = 1;
        }

        return max(0.0, self::dot($a->vector, $b->vector)) ** 3;
    }

    /** @return list<Word> */
    private function words(string $text): array
    {
        if (count($this->words) > self::REMEMBERED) {
            $this->words = [];
        }

        return $this->words[$text] ??= array_values(array_filter(array_map($this->table->word(...), $this->tokenizer->words($text))));
    }

    /** @return list<float> */
    private function sum(string $text): array
    {
        if (count($this->sums) > self::REMEMBERED) {
            $this->sums = [];
        }
        if (! isset($this->sums[$text])) {
            $words = $this->words($text);
            $this->sums[$text] = (new Side($words, array_column($words, 'weight'), $this->table->trained()['dimensions']))->sum;
        }

        return $this->sums[$text];
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
