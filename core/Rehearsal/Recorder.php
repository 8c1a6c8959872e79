<?php

declare(strict_types=1);

namespace Ringo\Rehearsal;

use Ringo\Dialogue\Actions\Speak;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\EventKind;
use Ringo\Dialogue\Outcome;
use Ringo\Speech\Timing;
use Ringo\Transcript\Turn;

/**
 * Writes the turns of a call from what happened and what was done.
 *
 * The numbering agrees with the engine's: one turn for words or keys of the caller, one for all the agent says in answer.
 */
final readonly class Recorder
{
    public function __construct(private Timing $timing = new Timing)
    {
    }

    /**
     * The agent's turn as it was heard when it was cut short: only that much counts as said.
     */
    public function cut(Turn $turn, string $heard, float $seconds): Turn
    {
        return new Turn($turn->by, $heard === '' ? '…' : $heard.' …', $turn->at, min($turn->seconds, $seconds), $turn->keys, $turn->steps, true, $turn->says());
    }

    /** @return list<Turn> the turns that one step of a call adds */
    public function turns(Event $event, Outcome $outcome): array
    {
        $turns = [];
        if ($outcome->trace->heard !== '' && $event->kind !== EventKind::Advised) {
            $keys = $event->kind === EventKind::Keys;
            $seconds = $keys ? 0.4 * strlen($event->text) : $this->timing->ofCaller($event->text);
            $turns[] = new Turn($event->kind === EventKind::StaffSaid ? 'staff' : 'caller', $outcome->trace->heard, max(0.0, $event->at - $seconds), $seconds, $keys);
        }
        $text = [];
        $steps = [];
        $seconds = 0.0;
        foreach ($outcome->actions as $action) {
            if ($action instanceof Speak) {
                $text[] = $action->text;
                $seconds += $action->seconds;
                if ($action->step !== null && ! in_array($action->step, $steps, true)) {
                    $steps[] = $action->step;
                }
            }
        }
        if ($text !== []) {
            $turns[] = new Turn('agent', implode(' ', $text), $event->at + ($event->kind === EventKind::Started ? 0.0 : 0.4), $seconds, false, $steps);
        }

        return $turns;
    }
}
