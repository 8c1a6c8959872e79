<?php

declare(strict_types=1);

namespace Ringo\Figures;

/** Who a call was brought to its end by. */
enum Handled: string
{
    /** Outcomes of callers who left without what they came for. */
    public const GIVEN_UP = ['caller hung up', 'no reply', 'gave up', 'turn limit reached', 'time limit reached', 'step limit reached', 'script runs in circles'];

    case Agent = 'agent';
    case Staff = 'staff';
    case Nobody = 'nobody';
    case GivenUp = 'given_up';

    /**
     * @param bool $connected whether a person took the call
     * @param bool $rang whether a person's telephone rang for it
     */
    public static function of(string $outcome, bool $connected, bool $rang): self
    {
        return match (true) {
            $connected => self::Staff,
            $rang => self::Nobody,
            in_array($outcome, self::GIVEN_UP, true) => self::GivenUp,
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
