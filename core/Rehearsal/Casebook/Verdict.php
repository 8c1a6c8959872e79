<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Casebook;

use Ringo\Rehearsal\FinishedCall;

/** How a case came out. */
final readonly class Verdict
{
    /** @param list<array{expect: string, wanted: mixed, got: mixed}> $failures what did not hold */
    public function __construct(public KeptCase $case, public array $failures, public FinishedCall $call, public int $unused)
    {
    }

    public function passed(): bool
    {
        return $this->failures === [];
    }

    /** What did not hold, for people. */
    public static function inWords(string $expect, string $wanted, string $got): string
    {
        return match (explode(' ', $expect)[0]) {
            'value' => substr($expect, 6).' is '.($got === '' ? 'empty' : "“{$got}”").', not '.($wanted === '' ? 'empty' : "“{$wanted}”"),
            'outcome' => 'it ends as “'.$got."”, not “{$wanted}”",
            'says' => "never says “{$wanted}”",
            'never_says' => "says “{$wanted}”",
            'reaches' => "does not pass “{$wanted}”",
            'asked_once' => "asks for {$wanted} {$got} times",
            'most_turns' => "takes {$got} turns of the caller, {$wanted} at most",
            'sends' => "sends no {$wanted}",
            default => "{$expect}: {$got}, not {$wanted}",
        };
    }
}
