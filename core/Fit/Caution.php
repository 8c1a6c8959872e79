<?php

declare(strict_types=1);

namespace Ringo\Fit;

/**
 * What a wrong transfer and a question cost a business, where coming to the right team at once is worth 1.
 *
 * From these costs follows when one is taken and when the caller is asked; no threshold is set by hand.
 */
enum Caution: string
{
    case Quick = 'quick';
    case Even = 'even';
    case Careful = 'careful';

    /** What it costs that a caller comes to somebody else. */
    public function wrong(): float
    {
        return match ($this) {
            self::Quick => 0.6,
            self::Even => 1.0,
            self::Careful => 2.5,
        };
    }

    /** What it costs that a caller is asked which is meant. */
    public function question(): float
    {
        return match ($this) {
            self::Quick => 0.55,
            self::Even => 0.5,
            self::Careful => 0.35,
        };
    }

    /** In the words of a page. */
    public function inWords(): string
    {
        return match ($this) {
            self::Quick => 'sends on quickly: a question annoys more than a wrong team',
            self::Even => 'even: a wrong team costs as much as a right one is worth, a question half of it',
            self::Careful => 'rather asks: a wrong team is the worst that can happen',
        };
    }
}
