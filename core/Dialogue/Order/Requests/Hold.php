<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order\Requests;

use Ringo\Dialogue\Acts\Act;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Order\Request;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Collector;
use Ringo\Dialogue\Values\Corrections;
use Ringo\Dialogue\Values\Moments\DayRuledOut;
use Ringo\Dialogue\Walk\Move;
use Ringo\Language\Vocabulary;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Understanding\Heard;
use Ringo\Value\ValueType;

/** 'Just finding my glasses, bear with me.' */
final readonly class Hold implements Request
{
    /** Words that may stand around the request where it is put as a question. */
    private const BESIDE = 4;

    /** The part of the other words an answer must be, so that nobody is waited for. */
    private const MOST_OF_IT = 0.75;

    /** Of these nearly any words might be an answer. */
    private const ANYTHING = [ValueType::Text, ValueType::YesNo, ValueType::PersonName];

    public function __construct(private Collector $collector, private Vocabulary $words, private Corrections $corrections)
    {
    }

    public function answer(Turn $turn, Act $act, Hearing $hearing): ?Move
    {
        if ($this->answers($turn, $act->words === $hearing->heard ? $hearing->heard : $act->rest) || $this->mends($turn, $act)) {
            return null;
        }
        // 'Can you hold on a sec' waits, 'can we hang on to the digger for a few days' asks.
        if ($hearing->asks() && count($hearing->heard->tokens) - count($act->words->tokens) > self::BESIDE) {
            return null;
        }
        $turn->trace->rule('the caller asks for a moment');
        $turn->state->holding = true;
        $turn->standing('hold');

        return Move::stay();
    }

    /** 'Hang on, it was the nineteenth' puts right what was told before. */
    private function mends(Turn $turn, Act $act): bool
    {
        $step = $turn->step();
        $asks = $step instanceof AskStep && $turn->state->mode === Mode::Answer;
        $known = $asks ? array_values(array_diff(array_reverse(array_keys($turn->state->values)), [$step->field])) : [];

        $tellsAnew = $this->words->phrases('acts', 'tells_anew')->at($act->rest->tokens, 0) !== null || $this->corrections->strong($act->rest);

        return $known !== [] && $tellsAnew && $this->corrections->find($turn, $act->rest, $known) !== [];
    }

    /** 'Hang on, the eighteenth of December': what was looked for was found. */
    private function answers(Turn $turn, Heard $rest): bool
    {
        $step = $turn->step();
        $field = $step instanceof AskStep && $turn->state->mode === Mode::Answer ? $turn->script->sheet->field($step->field) : null;
        if ($field === null || $rest->isEmpty() || in_array($field->type, self::ANYTHING, true)) {
            return false;
        }
        $reading = $this->collector->asked($turn, $field, $rest);

        // 'Hang on, I'm away on Friday'
        return $reading->doubt === DayRuledOut::RULED_OUT || $reading->found() && $reading->confidence >= Collector::LEAST && $rest->explained($reading->start, $reading->end, $this->words) >= self::MOST_OF_IT;
    }
}
