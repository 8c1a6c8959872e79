<?php

declare(strict_types=1);

namespace Ringo\Format\VoiceXml\Turns;

/** What a turn waits for, as a voice browser must know it. */
final readonly class Heard
{
    /**
     * @param string $for kind of answer: yes_no, choice, topic, or the type of a value
     * @param float $timeout seconds before silence counts
     * @param string $keys that mean something
     * @param list<string> $words whole sayings that are expected: options, topics, their phrases
     */
    public function __construct(public string $for, public float $timeout, public string $keys, public array $words)
    {
    }
}
