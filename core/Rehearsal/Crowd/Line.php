<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Crowd;

/** What a stand-in caller rings on: in a crowd on a noisy line some have a clean one, and some one that is twice as bad. */
enum Line: string
{
    case Clean = 'clean';
    case Usual = 'usual';
    case Bad = 'bad';

    /** Of so many callers one has a clean line and one a bad one, so that the mean is the noise that was asked for. */
    private const ONE_IN = 4;

    public static function of(Dice $dice): self
    {
        return match ($dice->between(0, self::ONE_IN - 1)) {
            0 => self::Clean,
            self::ONE_IN - 1 => self::Bad,
            default => self::Usual,
        };
    }

    /** @param float $noise of the crowd, 0 to 1 */
    public function strength(float $noise): float
    {
        return match ($this) {
            self::Clean => 0.0,
            self::Usual => $noise,
            self::Bad => min(1.0, 2 * $noise),
        };
    }
}
