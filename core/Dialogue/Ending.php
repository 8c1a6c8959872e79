<?php

declare(strict_types=1);

namespace Ringo\Dialogue;

/** Outcomes that no script gives: those of calls that ended without what the caller came for. */
final readonly class Ending
{
    public const HUNG_UP = 'caller hung up';

    public const LATER = 'asked for later';

    public const LET_GO = 'not interested';

    public const NO_REPLY = 'no reply';

    public const GAVE_UP = 'gave up';

    public const TURN_LIMIT = 'turn limit reached';

    public const TIME_LIMIT = 'time limit reached';

    public const STEP_LIMIT = 'step limit reached';

    public const CIRCLE = 'script runs in circles';

    /** A line on which nobody answered. */
    public const NOBODY = 'nobody answered';

    /** A line that had as many calls as it takes. */
    public const FULL = 'all lines taken';

    /** A call that the line sent on to a number outside. */
    public const FORWARDED = 'forwarded';

    /** Outcomes of calls that nobody answered, neither staff nor agent. */
    public const UNANSWERED = [self::NOBODY, self::FULL];

    public const IN_VAIN = [self::HUNG_UP, self::NO_REPLY, self::GAVE_UP, self::TURN_LIMIT, self::TIME_LIMIT, self::STEP_LIMIT, self::CIRCLE];
}
