<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Dialogue\Walk\TopicSwitch;
use Ringo\Fit\Topics;

/** A topic that may be reached from anywhere, named in the middle of something else. */
final readonly class TopicChange implements Consideration
{
    public function __construct(private Topics $topics, private TopicSwitch $switch)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        $topics = $this->switch->reachable($turn);
        $ranked = $this->topics->rank($topics, $hearing->heard);
        $best = array_key_first($ranked);
        if ($best === null || $ranked[$best] < Topics::NAMED || $ranked[$best] - (array_values($ranked)[1] ?? 0.0) < Topics::LEAD || $turn->state->topic === $best) {
            return null;
        }
        foreach ($topics as $topic) {
            if ($topic['key'] === $best) {
                $turn->trace->rule("change of topic: {$best}");

                return $this->switch->to($turn, $topic, $hearing->heard);
            }
        }

        return null;
    }
}
