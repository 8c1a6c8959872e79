<?php

declare(strict_types=1);

namespace Ringo\Rehearsal;

use Ringo\Dialogue\Actions\Action;
use Ringo\Dialogue\Actions\Ring;
use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Outcome;

/** Tries on an agent what callers may say first, each in a call of its own that goes no further. */
final class Foresight
{
    /** When the caller speaks: the greeting is over by then. */
    private const AFTER = 12.0;

    /** Considerations of a turn that do not take the words for what the caller wants. */
    private const ABOUT_THE_CALL = ['Leaving', 'StandingRequests', 'Correction', 'OffTopic'];

    private readonly CallState $open;

    /** @param CallState $fresh in which a call begins */
    public function __construct(private readonly Engine $engine, CallState $fresh)
    {
        $state = $engine->step($fresh, Event::started())->state;
        $this->open = $state;
    }

    public function of(string $said): Foreseen
    {
        $outcome = $this->engine->step($this->open, Event::said($said, self::AFTER));
        [$does, $target, $between] = $this->what($outcome);

        return new Foreseen($said, $does, $target, $between, $outcome->trace->sureness, $outcome->spoken());
    }

    /** @return array{Does, string, list<string>} */
    private function what(Outcome $outcome): array
    {
        $state = $outcome->state;
        $trace = $outcome->trace;
        $rung = array_values(array_filter($outcome->actions, static fn (Action $action): bool => $action instanceof Ring));

        return match (true) {
            $rung !== [] => [Does::Transfer, $state->transfer['target'] ?? '', []],
            $state->mode === Mode::WhichTeam => [Does::Asks, '', array_map(static fn (string $key): string => 'team:'.$key, $state->candidates)],
            $state->mode === Mode::Clarify => [Does::Asks, '', $state->candidates],
            $trace->unanswered !== [] && $state->topic === $this->open->topic => [Does::Refuses, '', []],
            $state->topic !== $this->open->topic => [Does::Topic, (string) $state->topic, []],
            $trace->sources !== [] => [Does::Answer, $trace->sources[0], []],
            $trace->decided === 'Urgent', $trace->decided === 'Person' => [Does::Transfer, '', []],
            in_array($trace->decided, self::ABOUT_THE_CALL, true) => [Does::Call, '', []],
            $trace->decided === 'NotUnderstood', $outcome->actions === [] => [Does::Nothing, '', []],
            $trace->toStep !== $this->open->step && $trace->toStep !== null => [Does::Topic, $trace->toStep, []],
            default => [Does::Answer, '', []],
        };
    }
}
