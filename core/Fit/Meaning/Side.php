<?php

declare(strict_types=1);

namespace Ringo\Fit\Meaning;

/** One side of a comparison, a saying or a description: its words with what each counts, and their sum. */
final readonly class Side
{
    private const TINY = 1e-6;

    /** @var list<float> the weighted sum of length one, or nothing but noughts */
    public array $sum;

    public float $weight;

    public float $heaviest;

    /** @var array<string, true> */
    public array $stems;

    /**
     * @param list<Word> $words
     * @param list<float> $weights what each word counts here
     */
    public function __construct(public array $words, public array $weights, int $dimensions)
    {
        $sum = array_fill(0, $dimensions, 0.0);
        $stems = [];
        foreach ($words as $n => $word) {
            $weight = $weights[$n];
            foreach ($word->vector as $i => $value) {
                $sum[$i] += $weight * $value;
            }
            $stems[$word->stem] = true;
        }
        $length = sqrt(array_sum(array_map(static fn (float $value): float => $value * $value, $sum))) + self::TINY;
        $this->sum = array_values(array_map(static fn (float $value): float => $value / $length, $sum));
        $this->weight = array_sum($weights);
        $this->heaviest = self::TINY + max([0.0, ...$weights]);
        $this->stems = $stems;
    }
}
