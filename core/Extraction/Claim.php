<?php

declare(strict_types=1);

namespace Ringo\Extraction;

/**
 * A value that the words of a call give a field.
 *
 * `origin` says how: answered, volunteered, corrected, agreed (the other side said it and the caller took it), asked for
 * (wanted, and not yet promised by the other side) or caller id.
 */
final readonly class Claim
{
    public const ANSWERED = 'answered';

    public const VOLUNTEERED = 'volunteered';

    public const CORRECTED = 'corrected';

    public const AGREED = 'agreed';

    public const WANTED = 'asked for';

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

    public function confirmed(): self
    {
        return new self($this->value, max($this->confidence, 0.96), $this->turn, $this->said, $this->origin, true, null);
    }

    public function doubted(string $why): self
    {
        return new self($this->value, min($this->confidence, 0.6), $this->turn, $this->said, $this->origin, $this->confirmed, $why);
    }
}
