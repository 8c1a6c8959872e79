<?php

declare(strict_types=1);

namespace App\Support;

use Ringo\Dialogue\EventKind;
use Ringo\Rehearsal\Recorder;

/** Which turns of a transcript each step of a call wrote, as the recorder writes them: what was heard, then all that was said in answer. */
final readonly class StepTurns
{
    /** The agent begins to speak this long after what happened, to the tenth that times are kept in. */
    private const ANSWERS_AFTER = 0.4;

    private const ROUNDED = 0.11;

    /**
     * @param iterable<object{n: int, event: array<string, mixed>, trace: array<string, mixed>}> $steps in their order
     * @param iterable<object{n: int, by: string, at: float}> $turns in their order
     *
     * @return array<int, list<int>> turns by step
     *
     * @see Recorder::turns
     */
    public static function of(iterable $steps, iterable $turns): array
    {
        $left = [...$turns];
        $of = [];
        foreach ($steps as $step) {
            $kind = $step->event['kind'] ?? '';
            $mine = [];
            if (($step->trace['heard'] ?? '') !== '' && $kind !== EventKind::Advised->value && $left !== [] && $left[0]->by !== 'agent') {
                $mine[] = array_shift($left)->n;
            }
            $answers = (float) ($step->event['at'] ?? 0.0) + ($kind === EventKind::Started->value ? 0.0 : self::ANSWERS_AFTER);
            if ($left !== [] && $left[0]->by === 'agent' && abs($left[0]->at - $answers) <= self::ROUNDED) {
                $mine[] = array_shift($left)->n;
            }
            $of[$step->n] = $mine;
        }

        return $of;
    }
}
