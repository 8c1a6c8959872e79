<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Dialogue\Walk\TopicSwitch;
use Ringo\Fit\Topics;
use Ringo\Script\Steps\Transfer\TransferStep;

/** What is urgent counts from anywhere, in the middle of any answer, as soon as its words are said and nobody denies them. */
final readonly class Urgent implements Consideration
{
    public function __construct(private Topics $topics, private TopicSwitch $switch)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        return $this->transfer($turn, $hearing) ?? $this->topic($turn, $hearing);
    }

    /** A transfer rule that is urgent. */
    private function transfer(Turn $turn, Hearing $hearing): ?Move
    {
        $words = mb_strtolower($hearing->heard->original);
        foreach ($turn->script->transfers->rules as $rule) {
            $said = array_filter($rule['words'], static fn (string $one): bool => $one !== '' && preg_match('/(?<!\pL)'.preg_quote(mb_strtolower($one), '/').'(?!\pL)/u', $words) === 1);
            if (! $rule['urgent'] || $said === [] || $rule['when'] !== null && ! $rule['when']->holds($turn->scope()->value(...))) {
                continue;
            }
            foreach ($turn->script->steps as $step) {
                if ($step instanceof TransferStep && $step->to === null) {
                    $turn->trace->rule("urgent transfer rule {$rule['key']}: “".reset($said).'”');

                    return Move::aside($step->key());
                }
            }
        }

        return null;
    }

    private function topic(Turn $turn, Hearing $hearing): ?Move
    {
        foreach ($this->switch->reachable($turn) as $topic) {
            if ($topic['urgent'] && $turn->state->topic !== $topic['key'] && $this->topics->named($topic, $hearing->heard)) {
                $turn->trace->rule("urgent topic from anywhere: {$topic['key']}");
                $turn->trace->sureness = Topics::NAMED;

                return $this->switch->to($turn, $topic, $hearing->heard);
            }
        }

        return null;
    }
}
