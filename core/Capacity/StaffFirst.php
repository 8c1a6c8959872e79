<?php

declare(strict_types=1);

namespace Ringo\Capacity;

/**
 * What it costs to let staff ring first: a call waits for somebody free no longer than so many seconds, and then the agent takes it.
 *
 * The queue M/M/n with a fixed patience τ. The wait that is offered to a caller has the density λ·π(n−1)·exp(λ·min(t, τ) − nμt), with
 * π(n−1) = 1/(E + λJ); E is the inverse of Erlang B for n−1 people and J the integral of that exponential (S. Zeltyn and A. Mandelbaum,
 * Call centers with impatient customers, 2005, after D. Barrer, Queuing with impatient customers and ordered service, 1957).
 */
final readonly class StaffFirst
{
    /** Where about as much comes as can be served, differences cancel; below this the series is exact to twelve figures. */
    private const SMALL = 1e-4;

    public function __construct(private Load $load)
    {
    }

    /**
     * @param int $people who may take the call; 0 or more
     * @param float $seconds it rings before the agent takes it; 0 or more
     *
     * @return array{toAgent: float, meanRing: float, ringing: float} share of calls the agent takes in the end; seconds a call rings on average; calls that ring at once on average, which hold a line
     *
     * @throws \DomainException
     */
    public function with(int $people, float $seconds): array
    {
        if ($people < 0 || ! is_finite($seconds) || $seconds < 0) {
            throw new \DomainException('“people” and “seconds” must be 0 or more');
        }
        $arrive = $this->load->perSecond();
        if ($arrive === 0.0) {
            return ['toAgent' => 0.0, 'meanRing' => 0.0, 'ringing' => 0.0];
        }
        if ($people === 0) {
            return ['toAgent' => 1.0, 'meanRing' => $seconds, 'ringing' => $arrive * $seconds];
        }
        $serve = $people / $this->load->seconds;
        $spare = $serve - $arrive;
        $end = exp(-$spare * $seconds);
        $x = $spare * $seconds;
        $small = abs($x) < self::SMALL;
        $until = $small ? $seconds * (1 - $x / 2 + $x ** 2 / 6) : (1 - $end) / $spare;
        $moment = $small ? $seconds ** 2 * (1 / 2 - $x / 3 + $x ** 2 / 8) : (1 - $end * (1 + $x)) / $spare ** 2;
        $whole = $until + $end / $serve;
        $all = 1 / (new ErlangB($this->load))->blocked($people - 1) + $arrive * $whole;
        $mean = $arrive * ($moment + $seconds * $end / $serve) / $all;

        return ['toAgent' => max(0.0, min(1.0, (1 - $spare * $whole) / $all)), 'meanRing' => $mean, 'ringing' => $arrive * $mean];
    }
}
