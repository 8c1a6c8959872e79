<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order\Requests;

use Ringo\Dialogue\Acts\Act;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Order\Request;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Elsewhere;
use Ringo\Dialogue\Values\Settled;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Value\ValueType;

/** 'I told you already': what is held is said back and believed; what is not is asked for once more. */
final readonly class AlreadyTold implements Request
{
    public function __construct(private Settled $settled, private Phrasebook $phrases, private Elsewhere $elsewhere)
    {
    }

    public function answer(Turn $turn, Act $act, Hearing $hearing): ?Move
    {
        $state = $turn->state;
        $step = $turn->step();
        $key = $state->mode === Mode::Confirm ? ($state->pending[0] ?? null) : ($step instanceof AskStep ? $step->field : null);
        $field = $key === null ? null : $turn->script->sheet->field($key);
        $held = $key === null ? null : ($state->values[$key] ?? null);
        // What is said beside it may be the answer itself.
        if ($held === null && $this->phrases->content($act->rest->tokens) > 0) {
            return null;
        }
        // Where anything may be told, 'the same as last time' tells it; and nobody is asked for ever for what they say was said.
        $asked = 'told '.($step?->key() ?? '');
        if ($held === null && ($field?->type === ValueType::Text && ! $this->phrases->table('talk', 'told_you')->in($act->words->tokens) || ($state->again[$asked] ?? 0) > 0)) {
            return null;
        }
        // 'You've got it on your screen' gives the number one rings from.
        if ($held === null && $field !== null && $this->elsewhere->reading($turn, $field, $hearing->heard) !== null) {
            return null;
        }
        $state->frustration++;
        $turn->trace->rule('the caller says it was said already: '.($held === null ? 'it is not known' : 'it is known'));
        if ($field !== null && $held !== null) {
            $turn->standing('told', ['it' => $turn->spoken($field, $held->value)]);

            return $this->settled->with($turn, true);
        }
        $state->again[$asked] = 1;
        $turn->standing('not_told');

        return $step instanceof AskStep ? Move::help() : Move::again();
    }
}
