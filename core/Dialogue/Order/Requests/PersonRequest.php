<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order\Requests;

use Ringo\Dialogue\Acts\Act;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Order\Request;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Collector;
use Ringo\Dialogue\Walk\Move;
use Ringo\Dialogue\Walk\PersonWanted;
use Ringo\Language\Token;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Script\Steps\Choose\ChooseStep;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

final readonly class PersonRequest implements Request
{
    /** Words by which somebody is spoken to in one way or another: 'on the phone', 'in person'. */
    private const WAYS = ['on', 'over', 'by', 'in'];

    public function __construct(private PersonWanted $person, private Collector $collector)
    {
    }

    public function answer(Turn $turn, Act $act, Hearing $hearing): ?Move
    {
        if ($this->isAnOption($turn, $act) || $this->isAWayToTalk($turn, $hearing->heard)) {
            $turn->trace->rule('one of the options that were asked about, and no request for a person');

            return null;
        }
        $turn->trace->rule('the caller asks for a person');

        return $this->person->move($turn);
    }

    /** 'Can I just talk to someone on the phone', where it was asked how they would like to talk. */
    private function isAWayToTalk(Turn $turn, Heard $heard): bool
    {
        $step = $turn->step();
        $field = $turn->state->mode === Mode::Answer && $step instanceof AskStep ? $turn->script->sheet->field($step->field) : null;
        $way = $field?->type === ValueType::Choice ? $this->collector->asked($turn, $field, $heard) : Reading::none();
        $before = array_values(array_filter($heard->tokens, static fn (Token $token): bool => $token->end <= $way->start));

        return $way->found() && array_intersect(array_map(static fn (Token $token): string => $token->text, array_slice($before, -2)), self::WAYS) !== [];
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
