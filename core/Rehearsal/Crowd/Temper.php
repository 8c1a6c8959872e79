<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Crowd;

/** How a stand-in caller is minded. */
enum Temper: string
{
    case Plain = 'plain';
    case Brief = 'brief';
    case Talkative = 'talkative';
    case Vague = 'vague';
    case Slips = 'slips';
    case ChangesMind = 'changes_mind';
    case Asks = 'asks_questions';
    case OffTopic = 'off_topic';
    case Impatient = 'impatient';
    case Cross = 'cross';
    case Silent = 'silent';
    case HardOfHearing = 'hard_of_hearing';
    case WantsPerson = 'wants_person';
    case Keys = 'presses_keys';
    case Interrupts = 'interrupts';
    case TellsAhead = 'tells_ahead';
    case GivesReasons = 'gives_reasons';

    /** How often the same is asked before they hang up. */
    public function patience(): int
    {
        return match ($this) {
            self::Impatient => 2,
            self::Cross => 3,
            default => 5,
        };
    }
}
