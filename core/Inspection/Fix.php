<?php

declare(strict_types=1);

namespace Ringo\Inspection;

use Ringo\Design\ScriptDocument;

/** A change that mends a finding by itself. */
final readonly class Fix
{
    /**
     * @param string $words what it does, as the button says it
     * @param \Closure(ScriptDocument): ScriptDocument $change
     */
    public function __construct(public string $words, private \Closure $change)
    {
    }

    /** @throws \Ringo\Document\InvalidDocument where the change cannot be made */
    public function applied(ScriptDocument $document): ScriptDocument
    {
        return ($this->change)($document);
    }
}
