<?php

declare(strict_types=1);

namespace Ringo\Script;

use Ringo\Document\Node;

/**
 * How an agent treats who is calling: for how long a caller counts as recent, what is done with blocked ones, how fresh a fact must be.
 *
 * @phpstan-type Fresh array{use: int, check: int}
 */
final readonly class Recognition
{
    /**
     * @param int $recentHours a caller of the last so many hours is asked whether it is about the same; 0 never
     * @param string $blocked words: own words and goodbye; ring_out: nobody answers
     * @param array<string, Fresh> $fresh by fact: used as it is for so many days, asked back for so many more, then asked anew
     * @param array<string, list<string>> $tags tags a kind of caller brings: known, unknown, withheld, shared, organisation, recent
     * @param array<string, int> $priority by kind of caller, 0 to 9: who is taken first where several wait
     * @param ?string $errand asked before the first word, by the caller's number; late or failed it only means that less is known
     * @param list<string> $write facts that a call writes to the contact by itself; others are proposed
     */
    public function __construct(public int $recentHours = 0, public string $blocked = 'words', public array $fresh = [], public array $tags = [], public array $write = [], public array $priority = [], public ?string $errand = null)
    {
    }

    public static function read(Node $node): self
    {
        $fresh = [];
        foreach ($node->map('fresh') as $fact => $one) {
            $fresh[$fact] = ['use' => (int) $one->number('use', 90, 0, 36500), 'check' => (int) $one->number('check', 36500, 0, 36500)];
            $one->noMore();
        }
        $tags = [];
        $child = $node->child('tags');
        foreach (['known', 'unknown', 'withheld', 'shared', 'organisation', 'recent'] as $kind) {
            if ($child->has($kind)) {
                $tags[$kind] = $child->strings($kind);
            }
        }
        $child->noMore();
        $priority = [];
        $child = $node->child('priority');
        foreach (['known', 'unknown', 'withheld', 'shared', 'organisation', 'recent'] as $kind) {
            if ($child->has($kind)) {
                $priority[$kind] = (int) $child->number($kind, 0, 0, 9);
            }
        }
        $child->noMore();
        $recognition = new self((int) $node->number('recent_hours', 0, 0, 24 * 60), $node->oneOf('blocked', ['words', 'ring_out'], 'words'), $fresh, $tags, $node->strings('write'), $priority, $node->optional('errand'));
        $node->noMore();

        return $recognition;
    }
}
