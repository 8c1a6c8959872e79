<?php

declare(strict_types=1);

namespace Ringo\Script;

use Ringo\Document\Node;

/**
 * Errands a call sends on its way without anybody waiting for them: as soon as a condition holds, at any moment, or when the call ends.
 *
 * @phpstan-type One array{key: string, errand: string, moment: string, when: ?Condition}
 */
final readonly class OwnErrands
{
    /** The moment the condition first holds. */
    public const AT_ONCE = 'at_once';

    /** When the call is over, however it ends. */
    public const AT_END = 'end';

    /** @param list<One> $all */
    public function __construct(public array $all = [])
    {
    }

    public static function read(Node $node, string $name): self
    {
        $all = [];
        foreach ($node->children($name) as $one) {
            $key = $one->string('key');
            if (preg_match('/^[a-z][a-z0-9_]*$/', $key) !== 1) {
                $one->problem('key', "“{$key}” is no key; use lower-case letters, digits and underscores, beginning with a letter");
            }
            if (in_array($key, array_column($all, 'key'), true)) {
                $one->problem('key', "“{$key}” stands twice");
            }
            $moment = $one->oneOf('moment', [self::AT_ONCE, self::AT_END], self::AT_ONCE);
            $when = $one->has('when') ? Condition::read($one->child('when')) : null;
            if ($when === null && $moment === self::AT_ONCE) {
                $one->problem('when', 'an errand that is run at once needs a condition; without one it would be run before the first word');
            }
            $all[] = ['key' => $key, 'errand' => $one->string('errand'), 'moment' => $moment, 'when' => $when];
            $one->noMore();
        }

        return new self($all);
    }
}
