<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Modes\Modes;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Value\ValueType;

/** The answer to what is open, with all that was volunteered beside it. */
final readonly class Answer implements Consideration
{
    public function __construct(private Modes $modes)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        return $this->wantsSomebody($turn, $hearing) ? null : $this->modes->now($turn)->answer($turn, $hearing);
    }

    /** Own words are taken as they come, and a person asked for among them would be lost: the request goes first. */
    private function wantsSomebody(Turn $turn, Hearing $hearing): bool
    {
        $step = $turn->step();

        return $turn->state->mode === Mode::Answer && $hearing->act(ActKind::Person) !== null
            && $step instanceof AskStep && $turn->script->sheet->field($step->field)?->type === ValueType::Text;
    }
}
