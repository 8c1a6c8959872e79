<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Held;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Value\ValueType;

/** What follows once a read-back had its yes or its no. */
final readonly class Settled
{
    /** After so many rejected read-backs the caller is asked to spell, or to use the keys. */
    private const TRY_OTHERWISE = 2;

    /** How sure a yes is that a no to its read-back has made. */
    private const TURNED = 0.9;

    public function __construct(private Keeper $keeper)
    {
    }

    public function with(Turn $turn, bool $yes): Move
    {
        $state = $turn->state;
        $state->failures = 0;
        $next = $state->resume ?? $state->step ?? $turn->script->first;
        if ($yes) {
            foreach ($state->pending as $key) {
                $this->keeper->confirm($turn, $key);
            }
            $state->pending = [];

            return Move::to($next);
        }
        if (count($state->pending) === 1 && $this->turned($turn, $state->pending[0])) {
            $state->pending = [];
            $state->mode = Mode::Answer;

            return Move::to($next);
        }

        return $this->unclear($turn);
    }

    /** Neither a yes nor a no: what was to be confirmed is let go, and asked for again. */
    public function unclear(Turn $turn): Move
    {
        $state = $turn->state;
        $state->failures = 0;
        $next = $state->resume ?? $state->step ?? $turn->script->first;
        $rejected = $state->pending;
        $state->pending = [];
        $state->mode = Mode::Answer;
        $again = null;
        foreach ($rejected as $key) {
            $state->unconfirmed[$key] = ($state->unconfirmed[$key] ?? 0) + 1;
            $turn->forget($key);
            $again ??= $turn->asking($key);
        }

        return $again === null ? Move::to($next) : $this->askAgain($turn, $again);
    }

    /** No to 'you have not been here before, is that right?' says that they have. */
    private function turned(Turn $turn, string $key): bool
    {
        $held = $turn->state->values[$key] ?? null;
        if ($held === null || ! is_bool($held->value)) {
            return false;
        }
        $turn->state->values[$key] = new Held(! $held->value, self::TURNED, $held->origin, $held->turn, $held->said, true);
        $turn->trace->rule("{$key}: the other of yes and no");

        return true;
    }

    /** Back to the step that asked, with its own way of reading back. */
    private function askAgain(Turn $turn, AskStep $step): Move
    {
        $state = $turn->state;
        $state->step = $step->key();
        $state->resume = null;
        $state->visits[$step->key()] = ($state->visits[$step->key()] ?? 0) + 1;
        $type = $turn->script->sheet->field($step->field)?->type;
        $tries = $state->unconfirmed[$step->field] ?? 0;
        if ($tries > $step->tries + 1) {
            return Move::out();
        }
        if ($type === ValueType::YesNo) {
            return Move::again();
        }
        if ($tries >= self::TRY_OTHERWISE && in_array($type, [ValueType::PersonName, ValueType::Email, ValueType::Reference], true)) {
            $turn->trace->rule('two failed confirmations: spelling');
            $turn->standing('spell', [], true);
        } elseif ($tries >= self::TRY_OTHERWISE && in_array($type, [ValueType::Phone, ValueType::Number], true)) {
            $turn->trace->rule('two failed confirmations: keys');
            $turn->standing('key_in', [], true);
        } else {
            $turn->standing('corrected_ask', [], true);
        }

        return Move::stay();
    }
}
