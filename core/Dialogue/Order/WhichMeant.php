<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Replies\Replies;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;

/**
 * The reply to 'which do you mean?': the answer that stood ready is said, then the open question again. Where none is meant the question
 * is one that nothing answers.
 */
final readonly class WhichMeant implements Consideration
{
    public function __construct(private Replies $replies)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        $chosen = $this->replies->chosen($turn, $hearing->heard);
        if ($chosen === null) {
            return $this->none($turn, $hearing);
        }
        $this->replies->say($turn, $chosen);

        return Move::backToIt();
    }

    private function none(Turn $turn, Hearing $hearing): ?Move
    {
        // 'No, how much is delivery' asks something else.
        $question = $hearing->asks() ? null : $this->replies->noneMeant($turn, $hearing->heard);
        if ($question === null) {
            return null;
        }
        $turn->trace->rule('none of what was offered is meant: nothing is invented');
        $turn->trace->unanswered[] = ['question' => $question, 'why' => 'not covered'];
        $turn->standing('no_answer');

        return Move::again();
    }
}
