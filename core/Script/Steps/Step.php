<?php

declare(strict_types=1);

namespace Ringo\Script\Steps;

use Ringo\Script\WayOut;
use Ringo\Speech\Prompt;

/** One move of a script, and all that others need to know of it without knowing its kind. */
interface Step
{
    public function key(): string;

    /** The kind by its word in the script; StepKinds has the rest. */
    public function kind(): string;

    public function prompt(): ?Prompt;

    /** @return list<Way> every step this one may lead to, in reading order */
    public function exits(): array;

    /** @return list<Words> all that it may say */
    public function lines(): array;

    /** Whether the call waits here for the caller. */
    public function waits(): bool;

    /** @return list<string> fields that the caller's answer here fills */
    public function asks(): array;

    /** @return list<string> fields it may set, answered or written */
    public function sets(): array;

    /** Where it leads when it comes to nothing; null where it cannot. */
    public function wayOut(): ?WayOut;

    /** Whether a call may end here. */
    public function ends(): bool;
}
