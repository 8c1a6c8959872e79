<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Ranking;

/** Weighs the features of units into a chance for each of being the answer (training/answers.php writes the weights). */
final readonly class Ranker
{
    /** @param array<string, float> $weights by feature */
    public function __construct(public array $weights)
    {
    }

    public static function english(): self
    {
        return new self(self::trained()['ranking']);
    }

    /** @return array{data: string, ranking: array<string, float>, certainty: array<string, array<string, float>>, thresholds: array<string, float>} */
    public static function trained(): array
    {
        static $trained = null;

        return $trained ??= require dirname(__DIR__, 2).'/Language/en/answers.php';
    }

    /** @param array<string, float> $features */
    public function score(array $features): float
    {
        $score = 0.0;
        foreach ($this->weights as $name => $weight) {
            $score += $weight * ($features[$name] ?? 0.0);
        }

        return $score;
    }

    /**
     * @param list<Reading> $readings
     *
     * @return array<int, float> chance by place in the list, the likeliest first; they sum to 1
     */
    public function chances(array $readings): array
    {
        if ($readings === []) {
            return [];
        }
        $scores = array_map(fn (Reading $reading): float => $this->score($reading->features), $readings);
        $most = max($scores);
        $powers = array_map(static fn (float $score): float => exp($score - $most), $scores);
        $sum = array_sum($powers);
        $chances = array_map(static fn (float $power): float => $power / $sum, $powers);
        arsort($chances);

        return $chances;
    }
}
