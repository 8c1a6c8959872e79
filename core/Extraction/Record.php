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

    /** Whether somebody should look at it: a doubtful value, or a required one missing. */
    public function doubtful(): bool
    {
        return $this->missing !== [] || $this->doubts !== [] || array_filter($this->cells, static fn (array $cell): bool => $cell['doubt'] !== null) !== [];
    }
}
