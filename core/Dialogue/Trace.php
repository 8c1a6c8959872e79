<?php

declare(strict_types=1);

namespace Ringo\Dialogue;

use Ringo\Understanding\Reading;

/**
 * Why the agent did what it did in one turn: what was heard, every reading considered, the rules that decided, and what changed.
 *
 * @phpstan-type ReadingRow array{field: string, type: string, value: mixed, display: string, confidence: float, said: string, taken: bool, why: string}
 * @phpstan-type ChangeRow array{field: string, from: mixed, to: mixed, display: string, origin: string}
 */
final class Trace
{
    public string $heard = '';

    public string $cleaned = '';

    /** @var list<ReadingRow> */
    public array $readings = [];

    /** @var list<string> */
    public array $rules = [];

    /** @var list<ChangeRow> */
    public array $changes = [];

    public ?string $fromStep = null;

    public ?string $toStep = null;

    /** @var list<string> steps gone through */
    public array $steps = [];

    public function __construct(public readonly string $event)
    {
    }

    /** @var array<string, float> how well each team fits, where that was asked */
    public array $fit = [];

    /** @var list<array{act: string, words: string, confidence: float, done: bool}> all that was done with the words, and whether anything came of it */
    public array $acts = [];

    /** Which consideration of the order of a turn dealt with the words; null where a mode did, or nothing was said. */
    public ?string $decided = null;

    /** How sure the agent was of the topic, team or answer it decided on, from 0 to 1; null where nothing of the kind was decided. */
    public ?float $sureness = null;

    /** @var ?array{said: string, team: string} what a caller said first, and the team they then chose when asked: an example to learn from */
    public ?array $lesson = null;

    public bool $masked = false;

    /** @var list<string> sources of what was answered from knowledge */
    public array $sources = [];

    /** @var list<array{question: string, why: string}> what could not be answered, or not for sure */
    public array $unanswered = [];

    /** Takes the words out: they were said to be checked. */
    public function mask(): void
    {
        $this->masked = true;
        $this->heard = $this->cleaned = '••••';
        $this->readings = [];
        $this->acts = [];
        $this->lesson = null;
    }

    public function rule(string $rule): void
    {
        $this->rules[] = $rule;
    }

    public function reading(string $field, string $type, Reading $reading, string $display, bool $taken, string $why): void
    {
        $this->readings[] = ['field' => $field, 'type' => $type, 'value' => $reading->value, 'display' => $display, 'confidence' => $reading->confidence, 'said' => $reading->said, 'taken' => $taken, 'why' => $why];
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'event' => $this->event, 'heard' => $this->heard, 'cleaned' => $this->cleaned, 'acts' => $this->acts, 'decided' => $this->decided, 'readings' => $this->readings,
            'fit' => $this->fit, 'sureness' => $this->sureness, 'lesson' => $this->lesson, 'masked' => $this->masked, 'sources' => $this->sources, 'unanswered' => $this->unanswered,
            'rules' => $this->rules, 'changes' => $this->changes, 'from_step' => $this->fromStep, 'to_step' => $this->toStep, 'steps' => $this->steps,
        ];
    }
}
