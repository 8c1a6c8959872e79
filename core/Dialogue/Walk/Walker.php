<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Walk;

use Ringo\Dialogue\Ending;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Modes\Modes;
use Ringo\Dialogue\Steps\Help;
use Ringo\Dialogue\Steps\Runners;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\ReadBack;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Script\Steps\Step;
use Ringo\Script\Steps\Way;
use Ringo\Script\WayOut;

/** Does what follows: moves through the steps until the caller is wanted or the call ends. The only one who walks. */
final readonly class Walker
{
    /** Moves without a word from the caller before a script is held to run in circles. */
    private const MOVES = 200;

    /** Detours that are remembered. */
    private const DEEPEST = 10;

    public function __construct(private Runners $runners, private Modes $modes, private Reprise $reprise, private ReadBack $readBack)
    {
    }

    public function follow(Turn $turn, Move $move): void
    {
        match ($move->kind) {
            MoveKind::Stay, MoveKind::First => null,
            MoveKind::To => $this->go($turn, (string) $move->step),
            MoveKind::On => $this->proceed($turn, (string) $move->step),
            MoveKind::Aside => $this->detour($turn, (string) $move->step),
            MoveKind::Again => $this->askAgain($turn, false),
            MoveKind::BackToIt => $this->askAgain($turn, true),
            MoveKind::Help => $this->help($turn),
            MoveKind::Out => $this->leave($turn),
            MoveKind::Back => $this->goBack($turn),
            MoveKind::Confirm => $this->confirm($turn),
        };
    }

    public function go(Turn $turn, string $key): void
    {
        $state = $turn->state;
        $state->mode = Mode::Answer;
        $state->resume = null;
        for ($moves = 0; $moves < self::MOVES && ! $state->ended; $moves++) {
            $key = $key === Way::BACK ? $this->back($turn) : $key;
            $step = $turn->script->step($key);
            $turn->trace->steps[] = $key;
            $move = $this->runners->of($step)->enter($turn, $step);
            if ($move->kind !== MoveKind::To) {
                $this->follow($turn, $move);

                return;
            }
            $key = (string) $move->step;
        }
        if (! $state->ended) {
            $turn->trace->rule('the steps run in a circle without the caller');
            $turn->standing('limit');
            $turn->end(Ending::CIRCLE);
        }
    }

    /** Goes on after an answer: first what needs a yes, then the next step. */
    private function proceed(Turn $turn, string $next): void
    {
        if ($turn->state->pending === []) {
            $this->go($turn, $next);

            return;
        }
        $turn->state->resume = $next;
        $this->confirm($turn);
    }

    /** Reads back what waits for a yes. One confirmation may cover several values. */
    private function confirm(Turn $turn): void
    {
        $state = $turn->state;
        $state->mode = Mode::Confirm;
        if ($this->readBack->pending($turn) === null) {
            $state->pending = [];
            $this->go($turn, $state->resume ?? $turn->script->first);

            return;
        }
        $this->modes->of(Mode::Confirm)->again($turn);
    }

    private function detour(Turn $turn, string $to): void
    {
        $state = $turn->state;
        if ($state->step !== null) {
            $state->returns = array_slice([...$state->returns, $state->step], -self::DEEPEST);
        }
        $state->pending = [];
        $this->go($turn, $to);
    }

    /** Puts the open question again, in a short form. */
    private function askAgain(Turn $turn, bool $afterDetour): void
    {
        $step = $turn->step();
        if ($turn->state->mode !== Mode::Answer && $this->modes->now($turn)->again($turn)) {
            return;
        }
        if ($step === null || ! $step->waits()) {
            $this->go($turn, $turn->state->step ?? $turn->script->first);

            return;
        }
        if ($this->reprise->roundsOver($turn, $step)) {
            $this->leave($turn);

            return;
        }
        $this->reprise->put($turn, $step, $afterDetour);
    }

    /** Help: the step's own words, else an example of what would be understood; then the question. */
    private function help(Turn $turn): void
    {
        $step = $turn->step();
        $runner = $step === null ? null : $this->runners->asking($step);
        if ($step === null || $runner === null) {
            $this->askAgain($turn, false);

            return;
        }
        $given = $runner->help($turn, $step);
        if ($given === Help::None) {
            $turn->standing('apologise');
        }
        if ($given !== Help::Question) {
            $this->askAgain($turn, false);
        }
    }

    /** The step's way out, when a question cannot be answered. */
    private function leave(Turn $turn): void
    {
        $state = $turn->state;
        $step = $turn->step();
        $state->failures = 0;
        $state->silences = 0;
        $state->pending = [];
        $way = $step?->wayOut() ?? WayOut::leave();
        $turn->trace->rule('way out of '.($step?->key() ?? 'the call').': '.$way->then.($way->step === null ? '' : ' to '.$way->step));
        if ($way->then === WayOut::GO && $way->step !== null) {
            $this->go($turn, $way->step);

            return;
        }
        if ($way->then === WayOut::LEAVE && $step instanceof AskStep) {
            $state->declined[] = $step->field;
            $this->proceed($turn, $step->next);

            return;
        }
        $turn->standing('limit');
        $turn->end($way->outcome ?? Ending::GAVE_UP);
    }

    /** Goes back to the question before this one and forgets its answer. */
    private function goBack(Turn $turn): void
    {
        $state = $turn->state;
        $path = $state->path;
        while ($path !== [] && end($path) === $state->step) {
            array_pop($path);
        }
        $key = array_pop($path);
        if ($key === null) {
            $turn->trace->rule('go back: nothing to go back to');
            $turn->standing('nothing_back');
            $this->askAgain($turn, false);

            return;
        }
        $turn->trace->rule('go back to '.$key);
        $state->path = $path;
        $state->pending = [];
        foreach ($turn->script->step($key)->asks() as $field) {
            $turn->forget($field);
            $state->declined = array_values(array_diff($state->declined, [$field]));
        }
        $turn->standing('went_back');
        $this->go($turn, $key);
    }

    private function back(Turn $turn): string
    {
        $to = array_pop($turn->state->returns);
        if ($to !== null && isset($turn->script->steps[$to])) {
            $turn->trace->rule('back to where the caller was: '.$to);

            return $to;
        }
        $listens = array_filter($turn->script->steps, static fn (Step $step): bool => $step instanceof ListenStep);

        return array_key_first($listens) ?? $turn->script->first;
    }
}
