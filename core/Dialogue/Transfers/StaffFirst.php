<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Transfers;

use Ringo\Dialogue\Actions\Connect;
use Ringo\Dialogue\Actions\Ring;
use Ringo\Dialogue\Ending;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Identity;
use Ringo\Dialogue\Walk\Move;
use Ringo\Transfer\Switchboard;

/**
 * A line on which staff ring before the agent: nobody speaks while their telephones ring. Who picks up has the call; where nobody does
 * within the line's seconds, the agent answers as if it had just been rung, or the line's own words end the call.
 */
final readonly class StaffFirst
{
    /** What comes where nobody of the staff answers. */
    public const THEN_AGENT = 'agent';

    public const THEN_WORDS = 'words';

    /** How the telephone of staff that is rung by the line says why it rings. */
    private const WHY = 'the line rings staff first';

    public function __construct(private Switchboard $switchboard, private Announcement $announcement, private Identity $identity)
    {
    }

    public function begin(Turn $turn): Move
    {
        $first = $turn->state->first ?? throw new \LogicException('No staff ring first.');
        if ($first['rings'] === []) {
            return $this->settle($turn);
        }
        $turn->trace->rule('the line rings '.$this->switchboard->named($first['target']).' first');

        return $this->ring($turn);
    }

    public function answered(Turn $turn, string $person): Move
    {
        $first = $turn->state->first;
        if ($person === '' || $first === null) {
            $turn->trace->rule('nobody rings, so nobody takes the call');

            return Move::stay();
        }
        $name = $this->switchboard->person($person)->name ?? (str_starts_with($person, 'number:') ? 'a colleague' : $person);
        $turn->trace->rule("{$name} answers before the agent, after ".number_format($turn->state->clock, 0).' s');
        $turn->state->connected = ['person' => $person, 'name' => $name, 'after' => round($turn->state->clock, 1), 'target' => $first['target']];
        $turn->state->first = null;
        $turn->state->mode = Mode::Connected;
        $turn->state->outcome = 'answered by '.$name;
        $turn->actions[] = new Connect($person, $name, round($turn->state->clock, 1));

        return Move::stay();
    }

    /** Nobody of this group: the next one, then the agent or the line's words. */
    public function failed(Turn $turn, string $how): Move
    {
        $state = $turn->state;
        if ($state->first === null) {
            return Move::stay();
        }
        $turn->trace->rule($this->switchboard->named($state->first['target']).": {$how}");
        if (isset($state->first['rings'][$state->first['group'] + 1])) {
            $state->first['group']++;

            return $this->ring($turn);
        }

        return $this->settle($turn);
    }

    /** Nobody of the staff: the agent, or the line's words. */
    private function settle(Turn $turn): Move
    {
        $state = $turn->state;
        $first = $state->first ?? throw new \LogicException('No staff ring first.');
        $state->first = null;
        $state->mode = Mode::Answer;
        if ($first['then'] === self::THEN_WORDS) {
            $outcome = $first['outcome'] ?? Ending::NOBODY;
            $turn->trace->rule($outcome.': the line’s words');
            $turn->speak($first['words']);
            $turn->end($outcome);

            return Move::stay();
        }
        $turn->trace->rule('nobody answers: the agent does');

        return $turn->script->agent->speaksFirst ? $this->identity->open($turn) : Move::stay();
    }

    /** Words, keys or silence while it rings: nobody is there yet to hear them. */
    public function waiting(Turn $turn): Move
    {
        $turn->trace->rule('it rings; nobody hears it');

        return Move::stay();
    }

    private function ring(Turn $turn): Move
    {
        $first = $turn->state->first ?? throw new \LogicException('No staff ring first.');
        $group = $first['rings'][$first['group']];
        $turn->state->mode = Mode::Ringing;
        $turn->actions[] = new Ring($first['target'], $group['people'], $group['seconds'], 'direct', ['why' => self::WHY] + $this->announcement->of($turn));

        return Move::stay();
    }
}
