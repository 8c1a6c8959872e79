<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Ending;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\RingAgain;
use Ringo\Dialogue\Walk\Move;
use Ringo\Language\Token;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Script\Steps\Book\BookStep;
use Ringo\Script\Steps\Choose\ChooseStep;
use Ringo\Script\Steps\Reach\ReachStep;
use Ringo\Script\Steps\Step;
use Ringo\Understanding\Heard;
use Ringo\Value\Typed;
use Ringo\Value\ValueType;

/**
 * 'I cannot talk now, ring me after six': who was rung and asks for another time is rung again then; without a time it is asked for, once.
 *
 * Where the step itself waits for a time, or its own options are about later, the step deals with it.
 */
final readonly class RingLater implements Consideration
{
    /** Types of a field that is asked for and takes such words as its value. */
    private const TAKES_IT = [ValueType::Date, ValueType::Time, ValueType::DateTime, ValueType::Text];

    public function __construct(private Phrasebook $phrases, private RingAgain $again)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        if ($turn->script->agent->direction !== 'outbound') {
            return null;
        }
        $heard = $hearing->heard;
        if ($turn->state->ringAgain === '') {
            return $this->ends($turn, $this->again->moment($turn, $heard));
        }
        $wants = $this->says($heard, 'ring_later');
        // 'No, I'm busy' answers a menu; 'I'm just driving' does not.
        $answers = ! $wants && $this->phrases->table('yes_no', 'no')->in($heard->tokens);
        if (! $wants && ! $this->says($heard, 'bad_moment') || $this->stepDeals($turn, $turn->step(), $wants, $answers) && ! $this->atABadMoment($turn, $heard)) {
            return null;
        }
        $when = $this->again->moment($turn, $heard);
        if ($when !== null) {
            return $this->ends($turn, $when);
        }
        $turn->trace->rule('wants to be rung at another time: asks when');
        $turn->state->ringAgain = '';
        $turn->standing('ring_when');

        return Move::stay();
    }

    private function ends(Turn $turn, ?string $when): Move
    {
        $turn->trace->rule($when === null ? 'is rung another time, none was told' : "is rung again from {$when}");
        $turn->state->ringAgain = $when;
        $turn->standing('reach_again', ['when' => $when === null ? 'another time' : 'at '.$turn->sayTyped(new Typed(ValueType::DateTime, $when))]);
        $turn->standing('goodbye');
        $turn->end(Ending::LATER);

        return Move::stay();
    }

    /** 'I'm in the middle of my dinner', said by whom the call is for as it begins. */
    private function atABadMoment(Turn $turn, Heard $heard): bool
    {
        $own = array_filter($heard->tokens, static fn (Token $token): bool => in_array($token->text, ['i', "i'm", "i've"], true));

        return $turn->step() instanceof ReachStep && $own !== [] && $this->says($heard, 'bad_moment');
    }

    /** Whether the step has a way of its own: it asks for a time, finds out who picked up, or has an option about later. */
    private function stepDeals(Turn $turn, ?Step $step, bool $wants, bool $answers): bool
    {
        if ($step instanceof ReachStep || $step instanceof BookStep) {
            return true;
        }
        if ($step instanceof AskStep) {
            return ! $wants || in_array($turn->script->sheet->field($step->field)?->type, self::TAKES_IT, true);
        }
        if (! $step instanceof ChooseStep) {
            return false;
        }
        $options = implode(' ', array_map(static fn (array $one): string => $one['label'].' '.implode(' ', $one['phrases']), $step->options));

        return $answers || preg_match('/\b(?:later|another time|call me|ring me|call back|ring back)\b/i', $options) === 1;
    }

    private function says(Heard $heard, string $section): bool
    {
        return $this->phrases->table('outbound', $section)->in($heard->tokens) || $this->phrases->table('outbound', $section)->in($heard->all);
    }
}
