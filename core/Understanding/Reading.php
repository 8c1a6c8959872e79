<?php

declare(strict_types=1);

namespace Ringo\Understanding;

/**
 * What was heard, turned into a value of a type.
 *
 * `value` is null where nothing could be read; `doubt` then says why in plain words, if something was there.
 * `confidence` lies between 0 and 1 and comes from how much of the utterance the reading explains, from rivals and from validity.
 * `said` is the stretch of the original words the value came from; `start` and `end` are its byte offsets.
 */
final readonly class Reading
{
    private function __construct(
        public mixed $value,
        public float $confidence,
        public string $said,
        public ?string $doubt,
        public int $start,
        public int $end,
    ) {
    }

    public static function of(mixed $value, float $confidence, string $said, int $start, int $end): self
    {
        return new self($value, round(max(0.0, min(1.0, $confidence)), 2), $said, null, $start, $end);
    }

    public static function none(?string $doubt = null): self
    {
        return new self(null, 0.0, '', $doubt, 0, 0);
    }

    public function found(): bool
    {
        return $this->value !== null;
    }

    public function overlaps(self $other): bool
    {
        return $this->start < $other->end && $other->start < $this->end;
    }
}
