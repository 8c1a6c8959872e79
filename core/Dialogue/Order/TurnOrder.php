<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;

/**
 * The order of a caller's turn: who looks at the words first, and who when nobody before has dealt with them.
 *
 * Something offered and named, leaving, what is urgent, standing requests, the reply to 'which do you mean?', a correction, the answer
 * with what was volunteered, a side question, a change of topic, a person, off topic, not understood. docs/dialogue.md tells it in words.
 */
final readonly class TurnOrder
{
    /** @param list<Consideration> $considerations */
    public function __construct(private array $considerations)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): Move
    {
        foreach ($this->considerations as $consideration) {
            $move = $consideration->weigh($turn, $hearing);
            if ($move !== null) {
                $turn->trace->decided = (new \ReflectionClass($consideration))->getShortName();

                return $move;
            }
        }

        return Move::stay();
    }
}
