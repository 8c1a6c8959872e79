<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Ports;

/** Where a call looks up what callers ask beside its own course. */
interface Knowledge
{
    /**
     * @param string $known what is already known in the call, in words, for questions that say 'it'
     */
    public function ask(string $question, \DateTimeImmutable $now, string $country, string $known): Known;

    /** Whether the words ask for more of the last answer, or doubt it: 'more', 'sure', or null. */
    public function follows(string $words): ?string;
}
