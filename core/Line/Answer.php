<?php

declare(strict_types=1);

namespace Ringo\Line;

use Ringo\Document\Node;

/** How a line is answered in one stretch of the week. */
final readonly class Answer
{
    /** Seconds staff ring before the agent comes, unless the line says otherwise: three rings. */
    public const USUAL_SECONDS = 15;

    private const LEAST_SECONDS = 3;

    private const MOST_SECONDS = 120;

    /**
     * @param ?string $target whom it rings: `team:KEY` or `person:KEY`; where it is forwarded: `line:KEY` or `number:E164`
     * @param int $seconds how long staff ring
     * @param ?string $agent key of another agent than the line's own
     * @param ?string $opening step the agent begins with, in place of its first
     */
    public function __construct(public Who $who, public ?string $target = null, public int $seconds = self::USUAL_SECONDS, public ?string $agent = null, public ?string $opening = null)
    {
    }

    public static function read(Node $node): self
    {
        $who = Who::from($node->oneOf('who', array_column(Who::cases(), 'value'), Who::Agent->value));
        $target = $node->optional('target');
        $allowed = $who->rings() ? 'team|person' : 'line|number';
        if (($who->rings() || $who === Who::Forward) && preg_match('/^(?:'.$allowed.'):\S{1,80}$/', (string) $target) !== 1) {
            $node->problem('target', $who->rings() ? 'says which telephones ring: team:KEY or person:KEY' : 'says where the call goes: line:KEY or number:+44…');
        }
        $answer = new self($who, $target, (int) $node->number('seconds', self::USUAL_SECONDS, self::LEAST_SECONDS, self::MOST_SECONDS), $node->optional('agent'), $node->optional('opening'));

        return $answer;
    }

    /** @return array<string, mixed> as it is written */
    public function toArray(): array
    {
        return ['who' => $this->who->value] + array_filter(['target' => $this->target, 'seconds' => $this->who->rings() ? $this->seconds : null, 'agent' => $this->agent, 'opening' => $this->opening], static fn (mixed $one): bool => $one !== null);
    }

    public function same(self $other): bool
    {
        return $this->toArray() === $other->toArray();
    }
}
