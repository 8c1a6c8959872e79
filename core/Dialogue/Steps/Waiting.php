<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

/** What the call waits for at a step: the kind of answer, how long before it counts as silence, and which keys mean something. */
final readonly class Waiting
{
    /** Seconds before an answer that takes no thinking counts as silence. */
    public const SHORT = 6.0;

    /** Seconds for an answer that is long or must be looked for. */
    public const LONG = 8.0;

    /** Seconds for a caller who asked for a moment. */
    public const HOLDING = 20.0;

    public function __construct(public string $for, public float $seconds = self::SHORT, public string $keys = '')
    {
    }
}
