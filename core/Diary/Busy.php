<?php

declare(strict_types=1);

namespace Ringo\Diary;

/** A time that is taken in a diary. */
final readonly class Busy
{
    /**
     * @param int $from seconds since 1970
     * @param int $to the first second that is free again
     * @param ?string $area where it is; null: at the diary's base
     * @param ?string $service what is booked; null where it is something else: only bookings of the same service share a start
     */
    public function __construct(public int $from, public int $to, public ?string $area = null, public ?string $service = null, public string $what = '')
    {
    }
}
