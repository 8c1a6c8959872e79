<?php

declare(strict_types=1);

namespace Ringo\Outreach;

use Ringo\Document\Node;

/** What happens when people are rung, as shares of attempts, and how long a talk lasts. What the shares leave is calls that fail. */
final readonly class Rates
{
    public function __construct(public float $reached = 0.35, public float $busy = 0.1, public float $noAnswer = 0.4, public float $voicemail = 0.1, public float $minutes = 2.0)
    {
    }

    public static function read(Node $node): self
    {
        $usual = new self;
        $share = static fn (string $key, float $default): float => $node->number($key, $node->has($key) ? $default : 0.0, 0, 1);
        $rates = new self($share('reached', $usual->reached), $share('busy', $usual->busy), $share('no_answer', $usual->noAnswer), $share('voicemail', $usual->voicemail), $node->number('minutes', $usual->minutes, 0, 600));
        if ($rates->reached + $rates->busy + $rates->noAnswer + $rates->voicemail > 1 + 1e-9) {
            $node->problem('', 'the shares add up to more than 1');
        }
        $node->noMore();

        return $rates;
    }
}
