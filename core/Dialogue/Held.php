<?php

declare(strict_types=1);

namespace Ringo\Dialogue;

/** A value a call holds, with where it came from: the turn and the words. */
final readonly class Held
{
    public function __construct(
        public mixed $value,
        public float $confidence,
        public Origin $origin,
        public ?int $turn,
        public string $said,
        public bool $confirmed = false,
        public ?string $doubt = null,
    ) {
    }

    public function confirmed(): self
    {
        return new self($this->value, max($this->confidence, 0.97), $this->origin, $this->turn, $this->said, true);
    }

    public function doubted(string $doubt): self
    {
        return new self($this->value, $this->confidence, $this->origin, $this->turn, $this->said, false, $doubt);
    }

    /** @return array{value: mixed, confidence: float, origin: string, turn: ?int, said: string, confirmed: bool, doubt: ?string} */
    public function toArray(): array
    {
        return ['value' => $this->value, 'confidence' => $this->confidence, 'origin' => $this->origin->value, 'turn' => $this->turn, 'said' => $this->said, 'confirmed' => $this->confirmed, 'doubt' => $this->doubt];
    }

    /** @param array{value: mixed, confidence: float|int, origin: string, turn: ?int, said: string, confirmed: bool, doubt?: ?string} $data */
    public static function fromArray(array $data): self
    {
        return new self($data['value'], (float) $data['confidence'], Origin::from($data['origin']), $data['turn'], $data['said'], $data['confirmed'], $data['doubt'] ?? null);
    }
}
