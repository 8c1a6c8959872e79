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
    /**
     * @param array<string, Cell> $cells fields with a value
     * @param list<string> $declined fields the caller would not give
     * @param list<string> $missing required fields without a value
     */
    public function __construct(
        public string $callId,
        public array $cells,
        public array $declined,
        public array $missing,
        public string $outcome,
        public string $summary,
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
        return $this->missing !== [] || array_filter($this->cells, static fn (array $cell): bool => $cell['doubt'] !== null) !== [];
    }
}
