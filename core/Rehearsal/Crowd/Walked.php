<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Crowd;

use Ringo\Rehearsal\Casebook\Earlier;
use Ringo\Rehearsal\FinishedCall;

/** What became of one stand-in caller's call. */
final readonly class Walked
{
    /**
     * @param array<string, mixed> $meant what was true in the end, by field
     * @param array<string, string> $fields right, wrong or missing, by field they were asked for
     * @param list<array{step: string, cause: string}> $failures
     * @param list<Earlier> $booked what they had booked before
     */
    public function __construct(
        public StandIn $who,
        public bool $achieved,
        public array $meant,
        public array $fields,
        public int $turns,
        public float $seconds,
        public int $repeats,
        public string $outcome,
        public array $failures,
        public FinishedCall $call,
        public array $booked = [],
    ) {
    }
}
