<?php

declare(strict_types=1);

namespace Ringo\Script;

use Ringo\Document\Node;
use Ringo\Script\Steps\Schema;

/** What a caller without an answer leads to: the field is left empty, takes a value of its own, or the call goes to a step. */
final readonly class Instead
{
    /** The caller has no preference, does not know, or would rather not say. */
    public const CALLED = ['any' => 'does not mind which', 'unknown' => 'does not know', 'refused' => 'would rather not say'];

    /**
     * @param key-of<self::CALLED> $where
     * @param mixed $value taken for the field; null leaves it empty
     * @param ?string $step the step gone to; null goes on
     */
    private function __construct(public string $where, public mixed $value, public ?string $step)
    {
    }

    /** @return array<string, self> by where it counts: any, unknown, refused */
    public static function all(Node $node): array
    {
        $all = [];
        foreach (array_keys(self::CALLED) as $where) {
            if (! $node->has('if_'.$where)) {
                continue;
            }
            $one = $node->child('if_'.$where);
            $step = $one->optional('go');
            $value = $one->raw('take');
            if ($step === null && $value === null) {
                $one->problem('', 'says neither a value to take nor a step to go to');
            }
            $one->noMore();
            $all[$where] = new self($where, $value, $step);
        }

        return $all;
    }

    /** @return array<string, mixed> */
    public static function schema(): array
    {
        return Schema::object(['take' => ['description' => 'A value for the field'], 'go' => Schema::ref('target')]) + ['minProperties' => 1];
    }
}
