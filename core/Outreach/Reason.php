<?php

declare(strict_types=1);

namespace Ringo\Outreach;

/** Why somebody of a list is not rung; in the order in which they are judged. */
enum Reason: string
{
    case BadNumber = 'bad_number';
    case DoNotCall = 'do_not_call';
    case Done = 'done';
    case NoConsent = 'no_consent';
    case Complaint = 'complaint';
    case AttemptsUsed = 'attempts_used';
    case Ended = 'ended';
}
