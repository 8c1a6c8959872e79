<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Ranking;

/** Of each word of a question that nothing meets plainly, how near the nearest word of all units is: 'cup' is met by 'mug' where no cup is written of. */
final readonly class Nearest
{
    /** A word that is met as well as this is met plainly. */
    private const PLAINLY = 0.8;

    /** A word less near than this to any is near to none. */
    private const FAR = 0.12;

    /** How fast what is less near than the nearest stops counting. */
    private const NEAREST_ONLY = 4;

    /** @param list<?float> $most word by word; null where it is met plainly, or nothing is near */
    private function __construct(private array $most)
    {
    }

    /** @param list<array<string, array{list<float>, list<float>, list<float>}>> $met of each unit by part: plain, by likeness, bare likeness */
    public static function among(array $met, int $words): self
    {
        $nearest = [];
        for ($q = 0; $q < $words; $q++) {
            $plain = 0.0;
            $bare = 0.0;
            foreach ($met as $parts) {
                foreach ($parts as $part) {
                    $plain = max($plain, $part[0][$q]);
                    $bare = max($bare, $part[2][$q]);
                }
            }
            $nearest[] = $plain >= self::PLAINLY || $bare < self::FAR ? null : $bare;
        }

        return new self($nearest);
    }

    /**
     * Share of a question's words that a unit meets by the nearest there is.
     *
     * @param list<float> $weights
     * @param list<list<float>> $parts bare likeness, word by word
     * @param float $total of the weights
     */
    public function share(array $weights, array $parts, float $total): float
    {
        $sum = 0.0;
        foreach ($this->most as $q => $most) {
            if ($most !== null) {
                $sum += $weights[$q] * (max(0.0, ...array_column($parts, $q)) / $most) ** self::NEAREST_ONLY;
            }
        }

        return $sum / $total;
    }
}
