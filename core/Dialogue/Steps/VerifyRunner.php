<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Actions\Send;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Step;
use Ringo\Script\Steps\Verify\VerifyStep;
use Ringo\Speech\Prompt;
use Ringo\Understanding\Reading;

/** Checks a caller against known facts. What is said to be checked is kept out of transcript and trace; only whether it was right is told. */
final readonly class VerifyRunner implements AskingRunner
{
    /** Facts that must be right where any two are asked for. */
    private const OF_ANY = 2;

    public function __construct(private Puts $puts, private Proof $proof)
    {
    }

    public function enter(Turn $turn, Step $step): Move
    {
        \assert($step instanceof VerifyStep);
        $state = $turn->state;
        if ($state->verified) {
            $turn->trace->rule("{$step->key()}: checked already in this call");

            return Move::to($step->next);
        }
        if (($state->caller['locked'] ?? false) || in_array('locked_out', $state->tags, true)) {
            $turn->trace->rule("{$step->key()}: the tries are used up");

            return Move::to($step->locked);
        }
        $facts = $this->proof->known($turn, $step);
        if (count($facts) < ($step->by === 'any_two' ? self::OF_ANY : 1)) {
            $turn->trace->rule("{$step->key()}: nothing on file to check by {$step->by}");

            return Move::to($step->failed);
        }
        if ($step->by === 'code' && ! isset($state->verifying[$step->key()])) {
            $to = (string) ($state->caller['phone_on_file'] ?? $state->from);
            $turn->send(new Send('text', $to, null, "Your code for {$turn->script->agent->business} is {$facts['code']}.", null, $step->key(), true));
            $turn->standing('code_sent');
        }
        $state->verifying[$step->key()] ??= 0;
        if ($this->puts->visit($turn, $step)) {
            $turn->prompt($step->prompt, $step->key(), true);
        }

        return Move::stay();
    }

    public function reading(Turn $turn, Step $step, Hearing $hearing): Reading
    {
        return Reading::none();
    }

    public function answer(Turn $turn, Step $step, Hearing $hearing): Move
    {
        \assert($step instanceof VerifyStep);

        return $this->check($turn, $step, $hearing->heard->original);
    }

    public function keyed(Turn $turn, Step $step, string $digits): ?Move
    {
        \assert($step instanceof VerifyStep);
        $key = rtrim($digits, '#');

        return $key === '' || $key === $turn->script->standing->personKey ? null : $this->check($turn, $step, $key);
    }

    public function short(Turn $turn, Step $step): ?Prompt
    {
        return $step->prompt();
    }

    public function help(Turn $turn, Step $step): Help
    {
        return Help::None;
    }

    public function listens(Turn $turn, Step $step): Waiting
    {
        return new Waiting('topic');
    }

    public function reprompt(Turn $turn, Step $step, Missed $missed): ?Prompt
    {
        return null;
    }

    private function check(Turn $turn, VerifyStep $step, string $words): Move
    {
        $state = $turn->state;
        $turn->trace->mask();
        $right = $this->proof->matching($turn, $step, $words);
        $proved = array_values(array_unique([...$state->proved, ...$right]));
        $state->proved = $proved;
        if ($right !== [] && ($step->by !== 'any_two' || count($proved) >= self::OF_ANY)) {
            $state->verified = true;
            $turn->trace->rule("{$step->key()}: checked by {$step->by}");
            $turn->standing('verified');

            return Move::to($step->next);
        }
        if ($right !== []) {
            $turn->trace->rule("{$step->key()}: one of two facts is right");
            $step->second === null ? $turn->standing('verify_second', [], true) : $turn->prompt($step->second, $step->key().'.second', true);

            return Move::stay();
        }
        $tries = ($state->verifying[$step->key()] ?? 0) + 1;
        $state->verifying[$step->key()] = $tries;
        $turn->trace->rule("{$step->key()}: does not match, {$tries} of {$step->tries}");
        if ($tries >= $step->tries) {
            $state->tags[] = 'locked_out';

            return Move::to($step->locked);
        }
        $turn->standing('not_verified');
        $turn->prompt($step->prompt, $step->key().'.again', true);

        return Move::stay();
    }
}
