<?php

declare(strict_types=1);

namespace Ringo\Figures;

use Ringo\Dialogue\Ending;

/** Who a call was brought to its end by. */
enum Handled: string
{
    case Agent = 'agent';
    case Staff = 'staff';
    case Nobody = 'nobody';
    case GivenUp = 'given_up';

    /**
     * @param bool $connected whether a person took the call
     * @param bool $rang whether a person's telephone rang for it, other than before the agent answered
     */
    public static function of(string $outcome, bool $connected, bool $rang): self
    {
        return match (true) {
            $connected, $outcome === Ending::FORWARDED => self::Staff,
            $rang, in_array($outcome, Ending::UNANSWERED, true) => self::Nobody,
            in_array($outcome, Ending::IN_VAIN, true) => self::GivenUp,
            default => self::Agent,
        };
    }

    public function inWords(): string
    {
        return match ($this) {
            self::Agent => 'Handled without a person',
            self::Staff => 'Handed to a person',
            self::Nobody => 'Rang for a person, nobody came',
            self::GivenUp => 'Given up',
        };
    }
}
