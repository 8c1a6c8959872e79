<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Modes;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Steps\AskingRunner;
use Ringo\Dialogue\Steps\Missed;
use Ringo\Dialogue\Steps\Runners;
use Ringo\Dialogue\Steps\Waiting;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\TellingMore;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Step;
use Ringo\Script\Steps\Verify\VerifyStep;
use Ringo\Value\ValueType;

/** An answer to the step the call stands at. */
final readonly class Answering implements ModeHandler
{
    /** From the second miss on a name is asked letter by letter, a number by keys. */
    private const OTHERWISE_FROM = 2;

    /** After so many silences the step's way out is taken. */
    private const SILENCES = 3;

    /** Words of substance from which what came to nothing may be worth keeping. */
    private const WORTH_KEEPING = 3;

    public function __construct(private Runners $runners, private Phrasebook $phrases, private TellingMore $more)
    {
    }

    public function weighing(Turn $turn): Weighing
    {
        return $turn->step() instanceof VerifyStep ? Weighing::Checked : Weighing::Whole;
    }

    public function answer(Turn $turn, Hearing $hearing): ?Move
    {
        $step = $turn->step();
        $runner = $step === null ? null : $this->runners->asking($step);

        return $step === null || $runner === null ? null : $runner->answer($turn, $step, $hearing);
    }

    public function missed(Turn $turn, Hearing $hearing): Move
    {
        $step = $turn->step();
        $runner = $step === null ? null : $this->runners->asking($step);
        if ($step === null || $runner === null) {
            return Move::to($turn->state->step ?? $turn->first());
        }
        $state = $turn->state;
        if ($this->more->added($turn, $hearing)) {
            $state->failures++;
            $turn->standing('added');

            return Move::again();
        }
        $state->failures++;
        if ($this->phrases->content($hearing->heard->tokens) >= self::WORTH_KEEPING) {
            $state->unused[] = $hearing->heard->original;
        }
        $tries = $this->tries($step);
        $turn->trace->rule("not understood, {$state->failures} of {$tries}");
        if ($state->failures >= $tries) {
            return Move::out();
        }
        $own = $runner->reprompt($turn, $step, Missed::Nonsense);
        if ($own !== null) {
            $turn->prompt($own, $step->key().'.reprompt'.$state->failures, true);

            return Move::stay();
        }
        $otherwise = $state->failures < self::OTHERWISE_FROM ? null : $this->otherwise($turn, $step);
        $turn->standing('apologise');
        if ($otherwise !== null) {
            $turn->standing($otherwise, [], true);

            return Move::stay();
        }

        return Move::help();
    }

    public function keyed(Turn $turn, string $digits): ?Move
    {
        $step = $turn->step();
        $runner = $step === null ? null : $this->runners->asking($step);

        return $step === null || $runner === null ? null : $runner->keyed($turn, $step, $digits);
    }

    /** After silence: a shorter prompt, then help with an example, then the way out. */
    public function silent(Turn $turn): Move
    {
        $step = $turn->step();
        $runner = $step === null ? null : $this->runners->asking($step);
        if ($step === null || $runner === null) {
            $turn->trace->rule('silence at the start: the agent speaks');

            return Move::to($turn->first());
        }
        $silences = $turn->state->silences;
        if ($silences >= self::SILENCES) {
            $turn->trace->rule('silence, third time: the way out');

            return Move::out();
        }
        $turn->trace->rule($silences === 1 ? 'silence, first time: shorter prompt' : 'silence, second time: help with an example');
        $own = $runner->reprompt($turn, $step, Missed::Silence);
        if ($own !== null) {
            $turn->prompt($own, $step->key().'.silence'.($silences - 1), true);

            return Move::stay();
        }
        if ($silences === 1) {
            $turn->standing('silent');

            return Move::again();
        }

        return Move::help();
    }

    public function again(Turn $turn): bool
    {
        return false;
    }

    public function listens(Turn $turn): Waiting
    {
        $step = $turn->step();
        $runner = $step === null ? null : $this->runners->asking($step);

        return $step === null || ! $runner instanceof AskingRunner ? new Waiting('topic') : $runner->listens($turn, $step);
    }

    private function tries(Step $step): int
    {
        return property_exists($step, 'tries') ? (int) $step->tries : 3;
    }

    private function otherwise(Turn $turn, Step $step): ?string
    {
        $type = $turn->script->sheet->field($step->asks()[0] ?? '')?->type;

        return match (true) {
            $step->kind() !== 'ask' => null,
            in_array($type, [ValueType::PersonName, ValueType::Email], true) => 'spell',
            in_array($type, [ValueType::Phone, ValueType::Number], true) => 'key_in',
            default => null,
        };
    }
}
