<?php

declare(strict_types=1);

namespace Ringo\Transcript;

/** One turn of a call as it was said: by whom, when, for how long. */
final readonly class Turn
{
    /**
     * @param string $by agent, caller or staff
     * @param float $at seconds after the call's start
     * @param bool $keys whether the caller pressed keys; the text then holds them
     * @param list<string> $steps of the script that spoke
     * @param bool $cut whether the caller broke in: `text` is what was heard
     * @param ?string $whole what would have been said, where it was cut short
     */
    public function __construct(
        public string $by,
        public string $text,
        public float $at,
        public float $seconds,
        public bool $keys = false,
        public array $steps = [],
        public bool $cut = false,
        public ?string $whole = null,
    ) {
    }

    /** What is said in this turn, whether it was heard to the end or not. */
    public function says(): string
    {
        return $this->whole ?? $this->text;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['by' => $this->by, 'text' => $this->text, 'at' => round($this->at, 1), 'seconds' => round($this->seconds, 1)]
            + ($this->keys ? ['keys' => true] : []) + ($this->steps !== [] ? ['steps' => $this->steps] : []) + ($this->cut ? ['cut' => true] : []) + ($this->whole !== null ? ['whole' => $this->whole] : []);
    }

    /** @param array<string, mixed> $data */
    public static function fromArray(array $data): self
    {
        return new self((string) $data['by'], (string) $data['text'], (float) ($data['at'] ?? 0), (float) ($data['seconds'] ?? 0), (bool) ($data['keys'] ?? false), $data['steps'] ?? [], (bool) ($data['cut'] ?? false), isset($data['whole']) ? (string) $data['whole'] : null);
    }
}
