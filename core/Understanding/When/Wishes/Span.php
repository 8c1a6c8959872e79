<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

/** A part of the day in which a start is wished for, in minutes of the day. */
final readonly class Span
{
    public const DAY = 1440;

    /**
     * @param int $from the earliest start
     * @param int $to the first start that is too late
     * @param ?int $over by when the appointment must be over; null where that does not matter
     */
    public function __construct(public int $from = 0, public int $to = self::DAY, public ?int $over = null)
    {
    }

    /** The latest start that lies in it, and one minute more, for an appointment of a length. */
    public function endFor(int $minutes): int
    {
        return $this->over === null ? $this->to : min($this->to, $this->over - $minutes + 1);
    }
}
