<?php

declare(strict_types=1);

namespace Ringo\Script;

use Ringo\Document\Node;
use Ringo\Script\Steps\Schema;

/** Where a question leads that cannot be answered: leave it empty and go on, go to a step, or finish. */
final readonly class WayOut
{
    public const LEAVE = 'leave';

    public const GO = 'go';

    public const FINISH = 'finish';

    private function __construct(public string $then, public ?string $step = null, public ?string $outcome = null)
    {
    }

    public static function leave(): self
    {
        return new self(self::LEAVE);
    }

    public static function go(string $step): self
    {
        return new self(self::GO, $step);
    }

    public static function read(Node $parent): self
    {
        if (! $parent->has('way_out')) {
            return self::leave();
        }
        $node = $parent->child('way_out');
        $then = $node->oneOf('then', [self::LEAVE, self::GO, self::FINISH], self::LEAVE);
        $step = $then === self::GO ? $node->string('step') : null;
        $outcome = $then === self::FINISH ? $node->string('outcome', 'gave up') : null;
        $node->noMore();

        return new self($then, $step, $outcome);
    }

    /** @return array<string, mixed> JSON Schema */
    public static function schema(): array
    {
        return Schema::object(['then' => Schema::oneOf([self::LEAVE, self::GO, self::FINISH]), 'step' => Schema::ref('target'), 'outcome' => Schema::text()], ['then']);
    }
}
