<?php

declare(strict_types=1);

namespace Ringo\Line;

/** Who answers a line. */
enum Who: string
{
    /** The agent, at once. */
    case Agent = 'agent';

    /** Staff for some seconds, then the agent. */
    case StaffFirst = 'staff_first';

    /** Staff only; the agent where all are busy, away or closed. */
    case Staff = 'staff';

    /** Another line, or a number outside. */
    case Forward = 'forward';

    /** Nobody: it rings out, or says why. */
    case Nobody = 'nobody';

    public function rings(): bool
    {
        return $this === self::StaffFirst || $this === self::Staff;
    }
}
