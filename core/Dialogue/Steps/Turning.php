<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Dialogue\Walk\TopicSwitch;
use Ringo\Fit\Topics;

/** A second matter in the same breath as a free answer: 'a blue one, oh and my taxi is not here'. */
final readonly class Turning
{
    public function __construct(private Phrasebook $phrases, private Topics $topics, private TopicSwitch $switch)
    {
    }

    /** To the topic that is turned to, and on with the answered question's next step afterwards; null where none is. */
    public function after(Turn $turn, Hearing $hearing, string $next): ?Move
    {
        $hit = $this->phrases->table('acts', 'turns_to')->first($hearing->heard->tokens, 1);
        if ($hit === null) {
            return null;
        }
        $after = $hearing->heard->only(array_slice($hearing->heard->tokens, $hit[1] + $hit[2]));
        foreach ($this->switch->reachable($turn) as $topic) {
            if ($turn->state->topic !== $topic['key'] && $this->topics->named($topic, $after)) {
                $turn->trace->rule("turns to another topic in the same breath: {$topic['key']}");
                $turn->state->step = $next;

                return $this->switch->to($turn, $topic, $after);
            }
        }

        return null;
    }
}
