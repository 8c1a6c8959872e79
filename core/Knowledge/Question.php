<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

/**
 * A question as it was understood.
 *
 * @phpstan-import-type Unit from Terms
 */
final readonly class Question
{
    /** Kinds of things that are one value and need nothing beside them. */
    private const VALUES = ['money' => true, 'clock' => true, 'number' => true];

    /** From here on one of them is wanted. */
    private const LIKELY = 0.6;

    /**
     * @param string $asked the words that ask, without greeting and preamble
     * @param string $kind price, amount, when, clock, age, howlong, howoften, where, number, who, how, why, what, which, may, polar or none
     * @param list<array{stem: string, word: string, rings: list<int>, generic: bool, number: bool, weight: float, near: array<string, float>, there: bool}> $units
     * @param list<int> $days weekdays that are asked about
     * @param bool $negated whether it asks for a no: 'can I come without …'
     * @param ?float $span length named, in days: 'for a week'
     * @param list<float> $numbers
     * @param list<int> $months that are asked about
     * @param array<string, float> $wants likelihood of each kind of thing that would answer it (SayingModel::questions)
     */
    public function __construct(
        public string $said,
        public string $asked,
        public string $kind,
        public array $units,
        public array $days,
        public bool $negated,
        public ?float $span,
        public array $numbers,
        public bool $offTopic,
        public array $months = [],
        public array $wants = [],
    ) {
    }

    /** The same without a length, so that nothing is reckoned. */
    public function plainly(): self
    {
        return new self($this->said, $this->asked, 'what', $this->units, $this->days, $this->negated, null, $this->numbers, $this->offTopic, $this->months, $this->wants);
    }

    /** Whether one value answers it: a price, a time, a number. */
    public function wantsValue(): bool
    {
        return in_array($this->kind, ['price', 'amount', 'number', 'clock', 'when', 'howlong', 'age', 'howoften'], true) || ! $this->yesNo() && array_sum(array_intersect_key($this->wants, self::VALUES)) >= self::LIKELY;
    }

    /** Whether it asks what to do. */
    public function wantsWay(): bool
    {
        return $this->kind === 'how' || preg_match('/\bwhat (?:do|should|must|can) (?:i|we)\b|\bwhat (?:happens|if)\b/i', $this->said) === 1;
    }

    public function yesNo(): bool
    {
        return in_array($this->kind, ['may', 'polar'], true);
    }

    /** Whether anything is asked about. */
    public function substantial(): bool
    {
        foreach ($this->units as $unit) {
            if (! $unit['generic'] || $unit['rings'] !== []) {
                return true;
            }
        }

        return $this->days !== [];
    }
}
