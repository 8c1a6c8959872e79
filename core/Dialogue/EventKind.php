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
}
