<?php

declare(strict_types=1);

namespace Ringo\Understanding\When;

/**
 * A time of day as it was said; any part may be missing until another saying fills it.
 *
 * Without am or pm, hours from 7 to 11 are in the morning, 12 is noon, 1 to 6 in the afternoon.
 */
final readonly class Clock
{
    /** @param ?string $half 'am', 'pm' or 'night' */
    public function __construct(
        public ?int $hour = null,
        public ?int $minute = null,
        public ?string $half = null,
        public int $shift = 0,
        public bool $fixed = false,
    ) {
    }

    public function after(?self $earlier): self
    {
        if ($earlier === null) {
            return $this;
        }
        if ($this->hour === null) {
            // Only 'in the evening', or only 'quarter past', is new.
            return new self($earlier->hour, $this->minute ?? $earlier->minute, $this->half ?? $earlier->half, $this->minute === null ? $earlier->shift : $this->shift, $this->half === null && $earlier->fixed);
        }

        return new self($this->hour, $this->minute, $this->half ?? ($this->fixed ? null : $earlier->half), $this->shift, $this->fixed);
    }

    public function with(string $half): self
    {
        return new self($this->hour, $this->minute, $this->half ?? $half, $this->shift, $this->fixed);
    }

    public function complete(): bool
    {
        return $this->hour !== null;
    }

    /** 'HH:MM', or null where there is no such time. */
    public function resolve(): ?string
    {
        if ($this->hour === null || $this->hour < 0 || $this->hour > 24 || ($this->minute ?? 0) > 59) {
            return null;
        }
        $minutes = ($this->hour * 60 + ($this->minute ?? 0) + $this->shift + 1440) % 1440;
        $hour = intdiv($minutes, 60);
        $minute = $minutes % 60;
        if (! $this->fixed && $hour <= 12 && $this->hour <= 12) {
            $hour = $this->placed($hour === 0 ? 12 : $hour);
        }

        return sprintf('%02d:%02d', $hour, $minute);
    }

    /** @param int $hour from 1 to 12 */
    private function placed(int $hour): int
    {
        return match ($this->half) {
            'am' => $hour === 12 ? 0 : $hour,
            'pm' => $hour === 12 ? 12 : $hour + 12,
            'night' => $hour === 12 ? 0 : ($hour <= 5 ? $hour : $hour + 12),
            default => $hour <= 6 ? $hour + 12 : $hour,
        };
    }
}
