<?php

declare(strict_types=1);

namespace Ringo\Capacity;

/** How much telephone traffic comes: calls and how long each holds a line or a person, in a steady hour. */
final readonly class Load
{
    /** Beyond this, lines and people are no longer counted one by one in good time; no single site comes near. */
    public const MOST_ERLANGS = 100_000.0;

    private function __construct(public float $callsPerHour, public float $seconds)
    {
    }

    /**
     * @param float $callsPerHour calls that arrive in an hour, at random moments; 0 or more
     * @param float $seconds mean length of a call, with what is done after it before the next; above 0
     *
     * @throws \DomainException naming the figure
     */
    public static function of(float $callsPerHour, float $seconds): self
    {
        if (! is_finite($callsPerHour) || $callsPerHour < 0) {
            throw new \DomainException('“calls” must be the calls an hour, 0 or more');
        }
        if (! is_finite($seconds) || $seconds <= 0) {
            throw new \DomainException('“seconds” must be the mean length of a call, above 0');
        }
        if ($callsPerHour * $seconds / 3600 > self::MOST_ERLANGS) {
            throw new \DomainException('that is more than '.number_format(self::MOST_ERLANGS).' erlangs; no exchange is that large');
        }

        return new self($callsPerHour, $seconds);
    }

    /** The traffic offered: the calls that would be in progress on average if none were turned away. */
    public function erlangs(): float
    {
        return $this->callsPerHour * $this->seconds / 3600;
    }

    /** Calls a second. */
    public function perSecond(): float
    {
        return $this->callsPerHour / 3600;
    }
}
