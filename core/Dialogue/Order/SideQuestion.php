<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Replies\Replies;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Dialogue\Walk\TopicSwitch;
use Ringo\Fit\Topics;

/** A question in the middle of something: answered, then the open question again. Two questions are both answered. */
final readonly class SideQuestion implements Consideration
{
    public function __construct(private Replies $replies, private Topics $topics, private TopicSwitch $switch, private Objection $objection)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        $answered = $this->replies->serve($turn, $hearing->questions === [] ? [$hearing->heard] : $hearing->questions);
        if ($answered !== null) {
            $hearing->dealtWith(ActKind::Question);

            if ($answered->asksBack()) {
                return Move::stay();
            }

            return $answered->to === null ? Move::backToIt() : Move::aside($answered->to);
        }
        $objection = $this->objection->asked($turn, $hearing);
        if ($objection !== null) {
            $hearing->dealtWith(ActKind::Question);

            return $objection;
        }
        if (! $hearing->asks() || $hearing->act(ActKind::Person, ActKind::OffTopic) !== null || $this->reaches($turn, $hearing)) {
            return null;
        }
        $hearing->dealtWith(ActKind::Question);
        $turn->trace->rule('a question nothing answers: nothing is invented');
        $turn->trace->unanswered[] = ['question' => $hearing->heard->original, 'why' => 'not covered'];
        $turn->standing('no_answer');

        return Move::again();
    }

    /** Whether the words are rather a topic that may be reached from anywhere. */
    private function reaches(Turn $turn, Hearing $hearing): bool
    {
        $ranked = $this->topics->rank($this->switch->reachable($turn), $hearing->heard);

        return ($ranked[array_key_first($ranked) ?? ''] ?? 0.0) >= Topics::NAMED;
    }
}
