<?php

declare(strict_types=1);

namespace Ringo\Rehearsal;

use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Trace;
use Ringo\Transcript\Transcript;

/** A call that has been run to its end. */
final readonly class FinishedCall
{
    /**
     * @param list<Event> $events
     * @param list<Trace> $traces one for each event
     * @param int $unused caller lines left over when the call ended
     */
    public function __construct(public CallState $state, public Transcript $transcript, public array $events, public array $traces, public int $unused)
    {
    }
}
