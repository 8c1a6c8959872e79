<?php

declare(strict_types=1);

namespace Ringo\Script;

use Ringo\Brief\OpeningHours;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Script\Steps\Step;
use Ringo\Sheet\RecordSheet;

/** An agent's whole design: who speaks, the steps in reading order, standing rules, hours, facts and the record sheet. */
final readonly class Script
{
    public const FORMAT = 'ringo-script/1';

    /**
     * @param array<string, Step> $steps in reading order
     * @param array<string, scalar> $facts of the business, for prompts: `[fact.deposit]`
     * @param array<string, string> $scenes step => the heading of the scene that begins with it
     */
    public function __construct(
        public Agent $agent,
        public array $steps,
        public string $first,
        public RecordSheet $sheet,
        public Standing $standing,
        public Hours $hours,
        public Limits $limits,
        public array $facts,
        public array $scenes = [],
        public TransferRules $transfers = new TransferRules,
        public Recognition $recognition = new Recognition,
        public OwnErrands $errands = new OwnErrands,
    ) {
    }

    /** The same script for a business whose brief says when it is open; a script that says so itself keeps its own hours. */
    public function openAs(OpeningHours $brief): self
    {
        return $this->hours->given() || ! $brief->given() ? $this : new self($this->agent, $this->steps, $this->first, $this->sheet, $this->standing, Hours::of($brief), $this->limits, $this->facts, $this->scenes, $this->transfers, $this->recognition, $this->errands);
    }

    public function step(string $key): Step
    {
        return $this->steps[$key] ?? throw new \OutOfBoundsException("There is no step “{$key}”.");
    }

    /** The first step that asks for a field. */
    public function asking(string $field): ?AskStep
    {
        foreach ($this->steps as $step) {
            if ($step instanceof AskStep && $step->field === $field) {
                return $step;
            }
        }

        return null;
    }
}
