<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Modes;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Steps\TopicEntry;
use Ringo\Dialogue\Steps\Waiting;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** Which of the topics that fit is meant; words that say something else are heard as at an open question. */
final readonly class Clarifying implements ModeHandler
{
    public function __construct(private Understanding $understanding, private TopicEntry $entry, private Answering $answering)
    {
    }

    public function weighing(Turn $turn): Weighing
    {
        return Weighing::Whole;
    }

    public function answer(Turn $turn, Hearing $hearing): ?Move
    {
        $state = $turn->state;
        $step = $turn->step();
        $candidates = $state->candidates;
        $state->mode = Mode::Answer;
        $state->candidates = [];
        if (! $step instanceof ListenStep) {
            return null;
        }
        $reading = $this->which($turn, $step, $candidates, $hearing);
        if (! $reading->found()) {
            return $this->answering->answer($turn, $hearing);
        }
        $turn->trace->rule("topic {$reading->value}: the caller said which");

        return $this->entry->enter($turn, $step, (string) $reading->value, $hearing->heard);
    }

    public function missed(Turn $turn, Hearing $hearing): Move
    {
        return $this->answering->missed($turn, $hearing);
    }

    public function keyed(Turn $turn, string $digits): ?Move
    {
        return null;
    }

    public function silent(Turn $turn): Move
    {
        return $this->answering->silent($turn);
    }

    public function again(Turn $turn): bool
    {
        $turn->speak($turn->state->lastQuestion, $turn->state->step, true);

        return $turn->state->lastQuestion !== '';
    }

    public function listens(Turn $turn): Waiting
    {
        return new Waiting('topic');
    }

    /** @param list<string> $candidates */
    private function which(Turn $turn, ListenStep $step, array $candidates, Hearing $hearing): Reading
    {
        $implied = $this->entry->implied($turn, $step, $hearing->heard);
        if ($implied !== null && in_array($implied, $candidates, true)) {
            return Reading::of($implied, 0.9, $hearing->heard->original, 0, strlen($hearing->heard->original));
        }
        $options = [];
        foreach ($candidates as $key) {
            $topic = $step->topic($key);
            if ($topic !== null) {
                $options[] = ['key' => $key, 'label' => $topic['label'], 'phrases' => $topic['phrases']];
            }
        }
        $reading = $this->understanding->read(ValueType::Choice, $hearing->heard, $turn->plain()->withOptions($options));
        $yes = count($candidates) === 1 ? $this->understanding->read(ValueType::YesNo, $hearing->heard, $turn->plain()) : null;

        return $yes?->value === true ? Reading::of($candidates[0], $yes->confidence, $yes->said, $yes->start, $yes->end) : $reading;
    }
}
