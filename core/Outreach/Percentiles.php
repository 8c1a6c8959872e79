<?php

declare(strict_types=1);

namespace Ringo\Outreach;

/** How a figure came out over many runs: in one of ten below the first, in one of ten above the last. */
final readonly class Percentiles
{
    private function __construct(public float $p10, public float $p50, public float $p90)
    {
    }

    /** @param list<int|float> $runs */
    public static function of(array $runs): self
    {
        sort($runs);
        $at = static fn (float $share): float => (float) ($runs[(int) round($share * (count($runs) - 1))] ?? 0);

        return new self($at(0.1), $at(0.5), $at(0.9));
    }

    /** @return array{p10: float|int, p50: float|int, p90: float|int} */
    public function rounded(int $places): array
    {
        $round = static fn (float $value): float|int => $places === 0 ? (int) round($value) : round($value, $places);

        return ['p10' => $round($this->p10), 'p50' => $round($this->p50), 'p90' => $round($this->p90)];
    }
}
