<?php

declare(strict_types=1);

namespace Ringo\Inspection;

/** One thing the inspection found in a design. */
final readonly class Finding
{
    /** @param ?string $step the step it concerns; null where it is the agent, the sheet or the standing rules */
    public function __construct(public string $rule, public Severity $severity, public ?string $step, public string $message, public ?Fix $fix = null)
    {
    }

    /** The same for the same finding in another version of the script. */
    public function id(): string
    {
        return substr(hash('sha256', $this->rule.'|'.$this->step.'|'.$this->message), 0, 16);
    }

    /** @return array{rule: string, severity: string, step: ?string, message: string, fix: ?string} */
    public function toArray(): array
    {
        return ['rule' => $this->rule, 'severity' => $this->severity->value, 'step' => $this->step, 'message' => $this->message, 'fix' => $this->fix?->words];
    }
}
