<?php

declare(strict_types=1);

namespace Ringo\Extraction;

/**
 * What one call left: each field with its value, the words it came from and how sure it is.
 *
 * @phpstan-type Cell array{value: mixed, display: string, confidence: float, origin: string, turn: ?int, said: string, confirmed: bool, doubt: ?string}
 */
final readonly class Record
{
    /** Below this, a value nobody confirmed is to be looked at. */
    public const DOUBTFUL = 0.75;

    /**
     * @param array<string, Cell> $cells fields with a value
     * @param list<string> $declined fields the caller would not give
     * @param list<string> $missing required fields without a value
     * @param array<string, string> $doubts fields without a value that something was said of => why it could not be told
     * @param list<string> $nextActions what the business has to do now, one sentence each
     */
    public function __construct(
        public string $callId,
        public array $cells,
        public array $declined,
        public array $missing,
        public string $outcome,
        public string $summary,
        public array $doubts = [],
        public array $nextActions = [],
    ) {
    }

    /** @return array<string, mixed> field => value, without evidence */
    public function values(): array
    {
        return array_map(static fn (array $cell): mixed => $cell['value'], $this->cells);
    }

    /** The same record with what another reading of the call found beyond it. */
    public function withMissingFrom(self $other): self
    {
        $cells = $this->cells + $other->cells;
        $missing = array_values(array_unique([...array_filter($this->missing, static fn (string $key): bool => ! isset($cells[$key])), ...array_filter($other->missing, static fn (string $key): bool => ! isset($cells[$key]))]));

        return new self($this->callId, $cells, array_values(array_unique([...$this->declined, ...array_filter($other->declined, static fn (string $key): bool => ! isset($cells[$key]))])), $missing, $this->outcome, $this->summary, array_diff_key($other->doubts + $this->doubts, $cells), $this->nextActions === [] ? $other->nextActions : $this->nextActions);
    }

    /**
     * The same record with the values of some fields hidden.
     *
     * @param list<string> $keys
     */
    public function hiding(array $keys): self
    {
        $cells = $this->cells;
        foreach ($keys as $key) {
            if (isset($cells[$key])) {
                $cells[$key] = ['value' => Mask::HIDDEN, 'display' => Mask::HIDDEN, 'said' => ''] + $cells[$key];
            }
        }
        $summary = $this->summary;
        foreach ($keys as $key) {
            $summary = isset($this->cells[$key]) && $this->cells[$key]['display'] !== '' ? str_replace($this->cells[$key]['display'], Mask::HIDDEN, $summary) : $summary;
        }

        return new self($this->callId, $cells, $this->declined, $this->missing, $this->outcome, $summary, $this->doubts, $this->nextActions);
    }
}
