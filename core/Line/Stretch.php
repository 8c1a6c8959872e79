<?php

declare(strict_types=1);

namespace Ringo\Line;

/** A part of a day in which a line is answered in one way. */
final readonly class Stretch
{
    /**
     * @param int $from minutes of the day
     * @param int $to minutes of the day, itself no longer part of it; 1440 is midnight
     * @param string $why why it is answered so, where it is not as the week says: a closure, a holiday
     */
    public function __construct(public int $from, public int $to, public Answer $answer, public string $why = '')
    {
    }
}
