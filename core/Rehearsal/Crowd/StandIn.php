<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Crowd;

/** A made-up caller: what they come for, what is true of them, and how they are minded. */
final readonly class StandIn
{
    /**
     * @param int $n place in the crowd, from 1
     * @param ?string $topic what they come for; null where the script asks nobody, or they want a person
     * @param list<string> $openings ways to say what they come for
     * @param array<string, mixed> $truth by field
     * @param string $seed of all that they leave to chance
     */
    public function __construct(public int $n, public ?string $topic, public array $openings, public array $truth, public Temper $temper, public string $seed, public string $number, public Line $line = Line::Usual)
    {
    }

    /**
     * The same caller, of whom other things are true.
     *
     * @param array<string, mixed> $truth by field
     */
    public function knowing(array $truth): self
    {
        return new self($this->n, $this->topic, $this->openings, $truth, $this->temper, $this->seed, $this->number, $this->line);
    }
}
