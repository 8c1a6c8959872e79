<?php

declare(strict_types=1);

namespace Ringo\Dialogue;

/** What can happen in a call. */
enum EventKind: string
{
    case Started = 'started';
    case Said = 'said';
    case Keys = 'keys';
    case Silence = 'silence';
    case Interrupted = 'interrupted';
    case HungUp = 'hung_up';
    case StaffSaid = 'staff_said';
    case Answered = 'transfer_answered';
    case Busy = 'transfer_busy';
    case NoAnswer = 'transfer_no_answer';
    case Declined = 'transfer_declined';
    case ErrandReturned = 'errand_returned';
    case ErrandWaits = 'errand_waits';
    case Advised = 'advised';
}
