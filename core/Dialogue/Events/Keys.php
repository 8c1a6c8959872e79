<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Events;

use Ringo\Dialogue\Modes\Modes;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Dialogue\Walk\PersonWanted;
use Ringo\Script\Steps\Choose\ChooseStep;
use Ringo\Speech\Prompt;

/** Keys the caller presses: what is waited for takes them first, then those that mean something everywhere. */
final readonly class Keys
{
    public function __construct(private Modes $modes)
    {
    }

    public function pressed(Turn $turn, string $digits): Move
    {
        if ($digits === '' || $turn->state->first !== null) {
            return Move::stay();
        }
        $turn->heardSomething();
        $turn->trace->heard = $digits;
        $turn->trace->cleaned = $digits;
        $move = $this->modes->now($turn)->keyed($turn, $digits);

        return $move ?? $this->standingKey($turn, $digits) ?? $this->wrongKey($turn, $digits);
    }

    /** Keys that mean something everywhere: the star goes back, the script's own asks for a person. */
    private function standingKey(Turn $turn, string $digits): ?Move
    {
        if ($digits === '*') {
            return Move::back();
        }
        $key = rtrim($digits, '#');
        if ($key === '' || $key !== $turn->script->standing->personKey) {
            return null;
        }
        $turn->trace->rule("key {$key}: a person");

        return (new PersonWanted)->move($turn);
    }

    private function wrongKey(Turn $turn, string $digits): Move
    {
        $state = $turn->state;
        $step = $turn->step();
        $turn->trace->rule("key {$digits} does nothing here");
        $state->failures++;
        if (! $step instanceof ChooseStep) {
            $turn->standing('wrong_key');

            return Move::again();
        }
        if ($state->failures >= $step->tries) {
            return Move::out();
        }
        $own = $step->wrongKey === [] ? null : $step->wrongKey[($state->failures - 1) % count($step->wrongKey)];
        $own !== null ? $turn->prompt(Prompt::of($own), $step->key().'.wrong') : $turn->standing('wrong_key');

        return Move::help();
    }
}
