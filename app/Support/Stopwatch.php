<?php

declare(strict_types=1);

namespace App\Support;

use Ringo\Dialogue\Event;
use Ringo\Dialogue\Outcome;

/** Notes what each step of a call that is rung in memory took. */
final class Stopwatch
{
    /** @var list<int> microseconds */
    public array $taken = [];

    public function __invoke(Event $event, Outcome $outcome, int $nanoseconds): void
    {
        $this->taken[] = intdiv($nanoseconds, 1000);
    }
}
