<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Modes;

/** How much of the order of a turn is weighed. */
enum Weighing
{
    /** Everything: an open conversation. */
    case Whole;
    /** Leaving, then the answer. */
    case LeavingOnly;
    /** Leaving and a request for a person, then the answer: what is said here is checked, not read. */
    case Checked;
    /** The answer alone. */
    case AnswerOnly;
}
