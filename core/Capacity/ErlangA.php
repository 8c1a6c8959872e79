<?php

declare(strict_types=1);

namespace Ringo\Capacity;

/**
 * A queue whose callers give up: each after a time of their own, exponential about a mean.
 *
 * C. Palm, Research on telephone traffic carried by full availability groups (1957); the law of the wait that is offered to a caller,
 * λ·π(N−1)·exp(λ·(1 − e^(−θt))/θ − Nμt), after S. Zeltyn and A. Mandelbaum, Call centers with impatient customers:
 * many-server asymptotics of the M/M/n+G queue (2005). Sums are held as logarithms, so that no load overflows.
 */
final readonly class ErlangA implements Queueing
{
    /** States less likely than this, beside the likeliest, no longer move the twelfth figure. */
    private const NEGLIGIBLE = -46.0;

    /** Shares are exact to this much. */
    private const EXACT_TO = 1e-11;

    /**
     * @param float $patience mean seconds until a waiting caller gives up, above 0
     *
     * @throws \DomainException
     */
    public function __construct(private Load $load, private float $patience)
    {
        if (! is_finite($patience) || $patience <= 0) {
            throw new \DomainException('“patience” must be the mean seconds until a waiting caller gives up, above 0');
        }
    }

    public function with(int $people, ?float $within): Service
    {
        if ($this->load->callsPerHour === 0.0) {
            return new Service(true, 0.0, 0.0, $within === null ? null : 1.0, 0.0, 0.0);
        }
        [$likely, $all] = $this->states($people);
        $waits = $queue = 0.0;
        foreach ($likely as $calls => $log) {
            if ($calls >= $people) {
                $share = exp($log - $all);
                $waits += $share;
                $queue += ($calls - $people) * $share;
            }
        }
        $givenUp = $queue / $this->patience / $this->load->perSecond();
        $oneFree = ($likely[$people - 1] ?? -INF) - $all;

        return new Service(
            true,
            min(1.0, $waits),
            $queue / $this->load->perSecond(),
            $within === null ? null : min(1.0, 1 - min(1.0, $waits) + $this->servedWithin($within, $people, $oneFree)),
            $this->load->erlangs() * (1 - $givenUp) / $people,
            $givenUp,
        );
    }

    /**
     * The logarithms of how likely each number of calls (held and waiting) is, and of their sum.
     *
     * @return array{array<int, float>, float}
     */
    private function states(int $people): array
    {
        $logs = [0 => 0.0];
        $log = $most = 0.0;
        for ($calls = 1; ; $calls++) {
            $leave = min($calls, $people) / $this->load->seconds + max(0, $calls - $people) / $this->patience;
            $log += log($this->load->perSecond() / $leave);
            $logs[$calls] = $log;
            $most = max($most, $log);
            // Past the likeliest state each is less likely than the one before, ever faster.
            if ($calls >= $people && $log < $most + self::NEGLIGIBLE) {
                break;
            }
        }
        $sum = 0.0;
        foreach ($logs as $log) {
            $sum += exp($log - $most);
        }

        return [$logs, $most + log($sum)];
    }

    /** The share of all callers who wait, and are answered before they give up and before the time is over. */
    private function servedWithin(float $within, int $people, float $oneFree): float
    {
        $calls = $this->load->perSecond();
        $patience = $this->patience;
        $served = $people / $this->load->seconds;
        $density = static fn (float $t): float => exp(log($calls) + $oneFree + $calls * $patience * -expm1(-$t / $patience) - $served * $t - $t / $patience);
        // The law has one peak, where arrivals that have stayed equal departures; pieces end there so that none hides it.
        $peak = $calls > $served ? $patience * log($calls / $served) : 0.0;
        $narrow = 1 / sqrt(max(1e-12, $calls / $patience));
        $ends = [0.0, $within];
        foreach ([-6, -2, -1, 0, 1, 2, 6, 12] as $widths) {
            $ends[] = min($within, max(0.0, $peak + $widths * $narrow));
        }
        foreach ([0.5, 2, 8, 30] as $lengths) {
            $ends[] = min($within, $lengths / $served);
        }
        sort($ends);
        $sum = 0.0;
        for ($i = 1; $i < count($ends); $i++) {
            if ($ends[$i] > $ends[$i - 1]) {
                $sum += $this->integral($density, $ends[$i - 1], $ends[$i], 24);
            }
        }

        return $sum;
    }

    /**
     * Simpson's rule on halves until both agree.
     *
     * @param callable(float): float $of
     */
    private function integral(callable $of, float $from, float $to, int $halvings): float
    {
        $middle = ($from + $to) / 2;
        $left = ($middle - $from) / 6 * ($of($from) + 4 * $of(($from + $middle) / 2) + $of($middle));
        $right = ($to - $middle) / 6 * ($of($middle) + 4 * $of(($middle + $to) / 2) + $of($to));
        $whole = ($to - $from) / 6 * ($of($from) + 4 * $of($middle) + $of($to));
        if ($halvings === 0 || abs($left + $right - $whole) < self::EXACT_TO / 16) {
            return $left + $right + ($left + $right - $whole) / 15;
        }

        return $this->integral($of, $from, $middle, $halvings - 1) + $this->integral($of, $middle, $to, $halvings - 1);
    }
}
