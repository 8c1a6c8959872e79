<?php

declare(strict_types=1);

namespace Ringo\Capacity;

/** What callers meet with so many people answering. */
final readonly class Service
{
    /**
     * @param bool $stable false where more comes than can be answered, so that the queue grows without end
     * @param float $waits share of callers who do not get somebody at once, 0 to 1
     * @param float|null $meanWait seconds waited on average over all callers, those who wait not at all or give up among them; null where it has no end
     * @param float|null $answeredWithin share of all callers who are answered within the seconds asked about, 0 to 1; null where none were asked about
     * @param float $occupancy share of their time people are on calls, 0 to 1
     * @param float|null $givenUp share of all callers who give up waiting, 0 to 1; null where nobody does
     */
    public function __construct(
        public bool $stable,
        public float $waits,
        public ?float $meanWait,
        public ?float $answeredWithin,
        public float $occupancy,
        public ?float $givenUp = null,
    ) {
    }
}
