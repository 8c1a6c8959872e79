<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Acts\Wanting;
use Ringo\Dialogue\Replies\Replies;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Dialogue\Walk\TopicSwitch;
use Ringo\Fit\Topics;
use Ringo\Language\Stemmer;
use Ringo\Language\Token;
use Ringo\Script\Steps\Listen\ListenStep;

/** A question in the middle of something: answered, then the open question again. Two questions are both answered. */
final readonly class SideQuestion implements Consideration
{
    /** So few words ask of something that was just said. */
    private const FEW_WORDS = 3;

    /** Letters from which a word tells something. */
    private const TELLING = 4;

    public function __construct(private Replies $replies, private Topics $topics, private TopicSwitch $switch, private Objection $objection, private Wanting $wanting)
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
        if ($this->asksOfTheCall($turn, $hearing)) {
            $hearing->dealtWith(ActKind::Question);
            $turn->trace->rule('asks what the agent spoke of: said again');
            $turn->repeat();

            return Move::stay();
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

    /** 'What appointment?' after 'your appointment is coming up'. */
    private function asksOfTheCall(Turn $turn, Hearing $hearing): bool
    {
        $words = array_map(static fn (Token $token): string => $token->text, $hearing->heard->tokens);
        $asked = array_slice($words, 1);
        if (! in_array($words[0] ?? '', ['what', 'which'], true) || $asked === [] || count($words) > self::FEW_WORDS) {
            return false;
        }
        $stemmer = new Stemmer;
        $said = $stemmer->stems($turn->state->lastSpoken);

        return array_filter($asked, static fn (string $word): bool => strlen($word) < self::TELLING || ! in_array($stemmer->stem($word), $said, true)) === [];
    }

    /** Whether the words are rather a topic, of the open question that stands or one that may be reached from anywhere: 'could you help me with an order'. */
    private function reaches(Turn $turn, Hearing $hearing): bool
    {
        $step = $turn->step();
        if ($step instanceof ListenStep && $this->wanting->done($hearing)) {
            return true;
        }
        $topics = array_column([...$this->switch->reachable($turn), ...$step instanceof ListenStep ? $step->topics : []], null, 'key');
        $ranked = $this->topics->rank(array_values($topics), $hearing->heard);

        return ($ranked[array_key_first($ranked) ?? ''] ?? 0.0) >= Topics::NAMED;
    }
}
