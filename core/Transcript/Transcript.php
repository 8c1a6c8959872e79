<?php

declare(strict_types=1);

namespace Ringo\Transcript;

/** What was said in a call, in order, with what is needed to understand it: when and where it took place. */
final readonly class Transcript
{
    /** @param list<Turn> $turns */
    public function __construct(
        public string $id,
        public string $startedAt,
        public string $tz,
        public string $country,
        public string $direction,
        public ?string $from,
        public ?string $to,
        public array $turns,
    ) {
    }

    public function seconds(): float
    {
        $last = $this->turns[count($this->turns) - 1] ?? null;

        return $last === null ? 0.0 : $last->at + $last->seconds;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id, 'started_at' => $this->startedAt, 'tz' => $this->tz, 'country' => $this->country, 'direction' => $this->direction,
            'from' => $this->from, 'to' => $this->to, 'turns' => array_map(static fn (Turn $turn): array => $turn->toArray(), $this->turns),
        ];
    }
}
