<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Casebook;

use Ringo\Document\Node;

/** What must hold of a call. */
final readonly class Expectations
{
    /**
     * @param array<string, mixed> $values by field; null: it must be empty
     * @param list<string> $says words the agent must say, whatever their case
     * @param list<string> $neverSays words it must not
     * @param list<string> $reaches steps the call must pass
     * @param list<string> $askedOnce fields that must not be asked for twice
     * @param ?int $mostTurns caller turns at most
     * @param list<string> $sends kinds of message the call must cause: text, email, web
     */
    public function __construct(public array $values = [], public ?string $outcome = null, public array $says = [], public array $neverSays = [], public array $reaches = [], public array $askedOnce = [], public ?int $mostTurns = null, public array $sends = [])
    {
    }

    public static function read(Node $node): self
    {
        $expectations = new self(
            $node->child('values')->all(),
            $node->optional('outcome'),
            $node->strings('says'),
            $node->strings('never_says'),
            $node->strings('reaches'),
            $node->strings('asked_once'),
            $node->has('most_turns') ? (int) $node->number('most_turns', 1, 1, 1000) : null,
            $node->strings('sends'),
        );
        $node->noMore();

        return $expectations;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return array_filter(['values' => $this->values, 'outcome' => $this->outcome, 'says' => $this->says, 'never_says' => $this->neverSays, 'reaches' => $this->reaches, 'asked_once' => $this->askedOnce, 'most_turns' => $this->mostTurns, 'sends' => $this->sends], static fn (mixed $one): bool => $one !== null && $one !== []);
    }

    public function isEmpty(): bool
    {
        return $this->toArray() === [];
    }
}
