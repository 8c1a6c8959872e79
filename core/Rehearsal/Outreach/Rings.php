<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Outreach;

use Ringo\Dialogue\CallState;
use Ringo\Rehearsal\FinishedCall;

/** What comes of ringing somebody: a call that is really held, or one that is only drawn. */
interface Rings
{
    /**
     * @param int $person their number, by which all that they leave to chance is drawn
     * @param int $hour of their own day
     * @param \Closure(): CallState $state how the call begins, asked for only where a call is held
     *
     * @return array{came: string, call: ?FinishedCall, seconds: float} seconds a line is held
     */
    public function ring(int $person, int $attempt, int $hour, \Closure $state): array;
}
