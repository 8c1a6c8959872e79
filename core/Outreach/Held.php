<?php

declare(strict_types=1);

namespace Ringo\Outreach;

/** Why nobody is rung for a form that came in. */
enum Held: string
{
    case Trap = 'trap';
    case Links = 'links';
    case NoPhone = 'no_phone';
    case BadNumber = 'bad_number';
    case NoConsent = 'no_consent';
    case Double = 'double';
    case Never = 'do_not_call';
    case Idle = 'not_running';
    case Ended = 'ended';

    /** Whether a person who looked at it may have them rung all the same: nothing in it says that they do not want to be. */
    public function canBeRung(): bool
    {
        return in_array($this, [self::Trap, self::Links, self::Double, self::Idle], true);
    }

    public function words(): string
    {
        return match ($this) {
            self::Trap => 'a field people cannot see was filled in',
            self::Links => 'it is full of links',
            self::NoPhone => 'it has no telephone number',
            self::BadNumber => 'the number is none',
            self::NoConsent => 'they did not consent',
            self::Double => 'they asked before, and wait or were rung',
            self::Never => 'the number is never rung',
            self::Idle => 'the campaign did not run',
            self::Ended => 'no allowed moment is left',
        };
    }

    /** What the page says to whoever sent it; null where it must not tell. */
    public function told(): ?string
    {
        return match ($this) {
            self::NoPhone => 'Please give your telephone number.',
            self::BadNumber => 'That is no telephone number we can ring.',
            self::NoConsent => 'Please tick that we may ring you.',
            default => null,
        };
    }
}
