<?php

declare(strict_types=1);

namespace Ringo\Diary;

/** Why a time is not free, or a wish finds none. */
enum Reason: string
{
    case Nobody = 'nobody';
    case TooSoon = 'too_soon';
    case TooFar = 'too_far';
    case Closure = 'closure';
    case Off = 'off';
    case Closed = 'closed';
    case Break = 'break';
    case Busy = 'busy';
    case Margin = 'margin';
    case Travel = 'travel';
    case DayFull = 'day_full';
    case Raster = 'raster';
    case Skipped = 'skipped';
    case Together = 'together';
    case NothingEarlier = 'nothing_earlier';
    case NothingLater = 'nothing_later';

    /** In the words of a page, to be put after a name. */
    public function inWords(): string
    {
        return match ($this) {
            self::Nobody => 'nobody takes that service',
            self::TooSoon => 'too soon: less notice than the service needs',
            self::TooFar => 'further ahead than is booked',
            self::Closure => 'closed that day',
            self::Off => 'off that day',
            self::Closed => 'outside opening hours',
            self::Break => 'runs into a break',
            self::Busy => 'taken',
            self::Margin => 'too close to another appointment',
            self::Travel => 'no time for the way',
            self::DayFull => 'as many as may be that day',
            self::Raster => 'no start of the raster',
            self::Skipped => 'the clocks go forward: there is no such time',
            self::Together => 'what is needed beside it is not free',
            self::NothingEarlier => 'nothing earlier that day',
            self::NothingLater => 'nothing later that day',
        };
    }
}
