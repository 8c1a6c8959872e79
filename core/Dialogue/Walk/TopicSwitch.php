<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Walk;

use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Volunteer;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Understanding\Heard;

/**
 * Leads to a topic that may be reached from anywhere.
 *
 * @phpstan-import-type Topic from ListenStep
 */
final readonly class TopicSwitch
{
    public function __construct(private Volunteer $volunteer)
    {
    }

    /** @return list<Topic> */
    public function reachable(Turn $turn): array
    {
        $topics = [];
        foreach ($turn->script->steps as $step) {
            foreach ($step instanceof ListenStep ? $step->topics : [] as $topic) {
                if ($topic['anywhere']) {
                    $topics[$topic['key']] ??= $topic;
                }
            }
        }

        return array_values($topics);
    }

    /** @param Topic $topic */
    public function to(Turn $turn, array $topic, Heard $heard): Move
    {
        $this->volunteer->from($turn, $heard, $topic['next'], false);
        $turn->state->topic = $topic['key'];

        return Move::aside($topic['next']);
    }
}
