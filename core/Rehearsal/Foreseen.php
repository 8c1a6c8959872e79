<?php

declare(strict_types=1);

namespace Ringo\Rehearsal;

/** What an agent would do with something a caller says first. */
final readonly class Foreseen
{
    /**
     * @param string $target key of the topic, `team:KEY` or `person:KEY`, source of the answer; empty where there is none
     * @param list<string> $between topics (keys) or teams (`team:KEY`) it asks apart
     * @param ?float $sureness from 0 to 1; null where nothing was weighed
     * @param string $spoken what it would say
     */
    public function __construct(public string $said, public Does $does, public string $target, public array $between, public ?float $sureness, public string $spoken)
    {
    }

    /** @return array{said: string, does: string, target: string, between: list<string>, sureness: ?float, spoken: string} */
    public function toArray(): array
    {
        return ['said' => $this->said, 'does' => $this->does->value, 'target' => $this->target, 'between' => $this->between, 'sureness' => $this->sureness, 'spoken' => $this->spoken];
    }

    /** @param array{said: string, does: string, target: string, between: list<string>, sureness: ?float, spoken: string} $data */
    public static function fromArray(array $data): self
    {
        return new self($data['said'], Does::from($data['does']), $data['target'], $data['between'], $data['sureness'], $data['spoken']);
    }
}
