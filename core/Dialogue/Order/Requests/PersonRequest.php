<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order\Requests;

use Ringo\Dialogue\Acts\Act;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Order\Request;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Dialogue\Walk\PersonWanted;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Script\Steps\Choose\ChooseStep;

final readonly class PersonRequest implements Request
{
    public function __construct(private PersonWanted $person)
    {
    }

    public function answer(Turn $turn, Act $act, Hearing $hearing): ?Move
    {
        if ($this->isAnOption($turn, $act)) {
            $turn->trace->rule('one of the options that were asked about, and no request for a person');

            return null;
        }
        $turn->trace->rule('the caller asks for a person');

        return $this->person->move($turn);
    }

    /** 'The letting agent' where it was asked whether the caller is a tenant or an agent. */
    private function isAnOption(Turn $turn, Act $act): bool
    {
        $step = $turn->step();
        $options = match (true) {
            $turn->state->mode !== Mode::Answer => [],
            $step instanceof ChooseStep => $step->options,
            $step instanceof AskStep => $turn->script->sheet->field($step->field)->options ?? [],
            default => [],
        };
        $said = (string) preg_replace('/^(?:the|a|an|your|my) /', '', $act->words->cleaned());
        foreach ($said === '' ? [] : $options as $option) {
            if (str_contains(mb_strtolower(implode('|', [$option['label'], ...$option['phrases']])), $said)) {
                return true;
            }
        }

        return false;
    }
}
