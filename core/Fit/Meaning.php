<?php

declare(strict_types=1);

namespace Ringo\Fit;

use Ringo\Fit\Meaning\Comparison;
use Ringo\Fit\Meaning\Side;
use Ringo\Fit\Meaning\Table;
use Ringo\Fit\Meaning\Word;
use Ringo\Language\Tokenizer;

/**
 * How well a saying fits descriptions by what its words mean, as training on many trades has taught it (training/meaning.py).
 *
 * Four things count: the weighted sums of both sides, their words aligned one by one, the stems they share, and each word compared with
 * what is like it on the other side. What the parts count and what 'none of them' counts was trained with them. Words the table does
 * not hold tell nothing.
 */
final class Meaning
{
    private const SAID_MOST = 40;

    private const ABOUT_MOST = 60;

    /** Few words of little weight align with less. */
    private const STEADY = 0.5;

    /** Pairs of words whose likeness is remembered. */
    private const REMEMBERED = 200_000;

    /** @var array<string, Side> by text of a description */
    private array $about = [];

    /** @var array<int, array<int, float>> likeness of two words */
    private array $like = [];

    private int $remembered = 0;

    private ?Comparison $comparison = null;

    private readonly Table $table;

    private readonly Tokenizer $tokenizer;

    /** @param float $least share from which a word that is looked at counts in a comparison */
    public function __construct(string $folder, private readonly float $least = Comparison::LOOKED_AT)
    {
        $this->table = new Table($folder);
        $this->tokenizer = new Tokenizer;
    }

    public static function english(): self
    {
        static $meaning = null;

        return $meaning ??= new self(dirname(__DIR__).'/Language/en/meaning');
    }

    /** The one that has read a dictionary before it learned from trades. */
    public static function glossed(): self
    {
        static $meaning = null;

        return $meaning ??= new self(dirname(__DIR__).'/Language/en/meaning_glosses');
    }

    /**
     * @param array<string, array{name: string, about: string}> $descriptions by key
     *
     * @return array<string, float> probability of each, and under '' that it is none of them; they sum to 1
     */
    public function of(string $said, array $descriptions): array
    {
        $scores = $this->scores($said, $descriptions);
        $most = max([$scores[''], ...array_values($scores)]);
        $powers = array_map(static fn (float $score): float => exp($score - $most), $scores);
        $sum = array_sum($powers);

        return array_map(static fn (float $power): float => $power / $sum, $powers);
    }

    /**
     * @param array<string, array{name: string, about: string}> $descriptions by key
     *
     * @return array<string, float> as trained, before they are made probabilities; under '' what 'none of them' counts
     */
    public function scores(string $said, array $descriptions): array
    {
        $trained = $this->table->trained();
        $this->comparison ??= new Comparison($trained, $this->least);
        $saying = $this->side([[$said, 1.0]], self::SAID_MOST);
        $about = array_map($this->description(...), $descriptions);
        if ($saying->words === []) {
            return [...array_fill_keys(array_keys($about), 0.0), '' => $trained['none']];
        }
        $holding = $this->holding($saying, $about);
        $scores = [];
        foreach ($about as $key => $theirs) {
            $cosines = array_map(fn (Word $word): array => $this->likenesses($word, $theirs), $saying->words);
            $aligned = 0.0;
            $shared = 0.0;
            foreach ($saying->words as $n => $word) {
                $aligned += $saying->weights[$n] * $this->nearest($cosines[$n], $theirs);
                $shared += isset($theirs->stems[$word->stem]) ? $saying->weights[$n] / max(1, $holding[$word->stem]) : 0.0;
            }
            $whole = $saying->weight + self::STEADY;
            $scores[$key] = $trained['sum'] * self::dot($saying->sum, $theirs->sum) + $trained['alignment'] * $aligned / $whole + $trained['stems'] * $shared / $whole + $this->comparison->of($saying, $theirs, $cosines);
        }
        $scores[''] = $trained['none'];

        return $scores;
    }

    /** Which training the table came from: what was computed with another is to be computed again. */
    public function version(): string
    {
        return substr($this->table->trained()['rows_sha256'], 0, 12);
    }

    /** @return list<float> the weighted sum of what the words of a text mean, of length one; nothing but noughts where no word is known */
    public function vector(string $text): array
    {
        return $this->side([[$text, 1.0]], PHP_INT_MAX)->sum;
    }

    /**
     * @param array{name: string, about: string} $description
     *
     * @return list<float> the same of a description, as scores take it
     */
    public function vectorOf(array $description): array
    {
        return $this->description($description)->sum;
    }

    /** @param list<float> $cosines */
    private function nearest(array $cosines, Side $theirs): float
    {
        $best = 0.0;
        foreach ($cosines as $z => $cosine) {
            if ($cosine > 0.0) {
                $best = max($best, $cosine ** 3 * (0.3 + 0.7 * $theirs->weights[$z] / $theirs->heaviest));
            }
        }

        return $best;
    }

    /** @return list<float> */
    private function likenesses(Word $word, Side $theirs): array
    {
        if ($this->remembered > self::REMEMBERED) {
            $this->like = [];
            $this->remembered = 0;
        }
        $row = [];
        foreach ($theirs->words as $other) {
            if (! isset($this->like[$word->id][$other->id])) {
                $this->like[$word->id][$other->id] = self::dot($word->vector, $other->vector);
                $this->remembered++;
            }
            $row[] = $this->like[$word->id][$other->id];
        }

        return $row;
    }

    /**
     * How many descriptions hold each stem that was said.
     *
     * @param array<string, Side> $about
     *
     * @return array<string, int>
     */
    private function holding(Side $saying, array $about): array
    {
        $holding = array_map(static fn (): int => 0, $saying->stems);
        foreach ($about as $theirs) {
            foreach (array_intersect_key($holding, $theirs->stems) as $stem => $n) {
                $holding[$stem] = $n + 1;
            }
        }

        return $holding;
    }

    /** @param array{name: string, about: string} $description */
    private function description(array $description): Side
    {
        return $this->about[$description['name']."\0".$description['about']] ??= $this->side([[$description['name'], $this->table->trained()['name']], [$description['about'], 1.0]], self::ABOUT_MOST);
    }

    /** @param list<array{string, float}> $parts texts with what their words count */
    private function side(array $parts, int $most): Side
    {
        $words = [];
        $weights = [];
        foreach ($parts as [$text, $counts]) {
            foreach ($this->tokenizer->words($text) as $one) {
                $word = $this->table->word($one);
                if ($word !== null && count($words) < $most) {
                    $words[] = $word;
                    $weights[] = $word->weight * $counts;
                }
            }
        }

        return new Side($words, $weights, $this->table->trained()['dimensions']);
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
