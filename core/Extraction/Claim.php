<?php

declare(strict_types=1);

namespace Ringo\Extraction;

/**
 * A value that the words of a call give a field.
 *
 * `origin` says how: answered, volunteered, corrected, agreed (the other side said it and the caller took it) or caller id.
 */
final readonly class Claim
{
    public const ANSWERED = 'answered';

    public const VOLUNTEERED = 'volunteered';

    public const CORRECTED = 'corrected';

    public const AGREED = 'agreed';

    public const CALLER_ID = 'caller id';

    /** Characters of a turn that stand for it where no shorter stretch tells the value. */
    public const SAID_MOST = 120;

    public function __construct(
        public mixed $value,
        public float $confidence,
        public ?int $turn,
        public string $said,
        public string $origin,
        public bool $confirmed = false,
        public ?string $doubt = null,
    ) {
    }

    public function doubted(string $why): self
    {
        return new self($this->value, min($this->confidence, 0.6), $this->turn, $this->said, $this->origin, $this->confirmed, $why);
    }
}
