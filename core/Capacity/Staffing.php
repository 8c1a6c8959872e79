<?php

declare(strict_types=1);

namespace Ringo\Capacity;

/** How few people answer a share of callers in time. */
final readonly class Staffing
{
    public function __construct(private Load $load, private Queueing $queue)
    {
    }

    /**
     * @param float $share of all callers, above 0 and below 1
     * @param float $within seconds, 0 or more
     *
     * @throws \DomainException
     */
    public function people(float $share, float $within): int
    {
        if (! ($share > 0 && $share < 1)) {
            throw new \DomainException('“answered” must be a share above 0 and below 1: 0.8 is four callers in five');
        }
        if ($this->load->callsPerHour === 0.0) {
            return 0;
        }
        // More people never answer fewer in time: double until it is enough, then halve between.
        $few = 0;
        for ($enough = 1; ! $this->enough($enough, $share, $within); $enough *= 2) {
            $few = $enough;
        }
        while ($enough - $few > 1) {
            $middle = intdiv($few + $enough, 2);
            $this->enough($middle, $share, $within) ? $enough = $middle : $few = $middle;
        }

        return $enough;
    }

    private function enough(int $people, float $share, float $within): bool
    {
        return $this->queue->with($people, $within)->answeredWithin >= $share;
    }
}
