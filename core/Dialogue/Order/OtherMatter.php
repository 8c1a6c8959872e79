<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Steps\MatterWished;
use Ringo\Dialogue\Steps\TopicEntry;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Collector;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Script\Steps\Listen\ListenStep;

/**
 * Where a value is asked for and the words are none, but wish for another of the matters that were open when this one was taken up: 'I want
 * to hire a digger' to 'what is the hire number?', by somebody who was put into the wrong matter or has changed their mind.
 */
final readonly class OtherMatter implements Consideration
{
    public function __construct(private MatterWished $matters, private TopicEntry $entry, private Collector $collector)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        $asks = $turn->step();
        $field = $turn->state->mode === Mode::Answer && $asks instanceof AskStep ? $turn->script->sheet->field($asks->field) : null;
        $step = $field === null || $hearing->asks() ? null : $this->openedBy($turn);
        // What answers is an answer, whatever else it is.
        $answers = $step === null || $field === null || $this->collector->asked($turn, $field, $hearing->heard)->found();
        $other = $answers ? null : $this->matters->beside($step, $hearing, [$turn->state->topic]);
        if ($step === null || $other === null) {
            return null;
        }
        $turn->trace->rule("another matter after all: {$other}");

        return $this->entry->enter($turn, $step, $other, $hearing->heard);
    }

    /** Where the matter at hand was chosen. */
    private function openedBy(Turn $turn): ?ListenStep
    {
        $topic = $turn->state->topic;
        foreach ($topic === null ? [] : $turn->script->steps as $step) {
            if ($step instanceof ListenStep && $step->topic((string) $topic) !== null) {
                return $step;
            }
        }

        return null;
    }
}
