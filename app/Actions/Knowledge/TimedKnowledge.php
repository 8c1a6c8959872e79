<?php

declare(strict_types=1);

namespace App\Actions\Knowledge;

use Ringo\Dialogue\Ports\Knowledge;
use Ringo\Dialogue\Ports\Known;

/** Knowledge that notes how long it was asked. */
final class TimedKnowledge implements Knowledge
{
    /** Spent so far. */
    public int $microseconds = 0;

    public function __construct(private readonly Knowledge $inner)
    {
    }

    public function ask(string $question, \DateTimeImmutable $now, string $country, string $known): Known
    {
        $start = hrtime(true);
        try {
            return $this->inner->ask($question, $now, $country, $known);
        } finally {
            $this->microseconds += intdiv((int) (hrtime(true) - $start), 1000);
        }
    }

    public function follows(string $words): ?string
    {
        return $this->inner->follows($words);
    }
}
