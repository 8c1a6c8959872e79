<?php

declare(strict_types=1);

namespace Ringo\Line;

/** The way one call takes at one moment: telephones that ring first, then the agent, or words, or another number. */
final readonly class Way
{
    public const AGENT = 'agent';

    public const WORDS = 'words';

    public const FORWARD = 'forward';

    /**
     * @param Line $line the line that answers in the end, after forwarding
     * @param ?string $target whose telephones ring first
     * @param list<array{people: list<string>, seconds: int}> $rings who rings, one group after another
     * @param string $then agent, words or forward: what comes where nobody answered, or nobody rang
     * @param ?string $agent key of the agent that answers
     * @param ?string $opening step it begins with
     * @param string $words what is said where nobody answers
     * @param ?string $number where it is forwarded, E.164
     * @param bool $full whether the line has as many calls as it takes
     * @param list<string> $why in the order it was decided, in words
     */
    public function __construct(public Line $line, public ?string $target, public array $rings, public string $then, public ?string $agent, public ?string $opening, public string $words, public ?string $number, public array $why, public Who $who, public bool $full = false)
    {
    }

    /** Seconds staff ring in all. */
    public function seconds(): int
    {
        return array_sum(array_column($this->rings, 'seconds'));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['line' => $this->line->key, 'who' => $this->who->value, 'rings' => $this->rings, 'then' => $this->then] + array_filter(['agent' => $this->agent, 'opening' => $this->opening, 'words' => $this->then === self::WORDS ? $this->words : null, 'number' => $this->number]) + ['why' => $this->why];
    }
}
