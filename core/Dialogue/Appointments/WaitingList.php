<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Appointments;

use Ringo\Dialogue\Walk\Move;

/** Where nothing suits and the step keeps a waiting list: asks whether the caller wants to be on it, and puts them on. */
final readonly class WaitingList
{
    public function ask(Matter $matter): Move
    {
        if ($matter->step->waiting === null) {
            $matter->over();

            return Move::to($matter->step->none);
        }
        $matter->book->release($matter->turn->state->id);
        $matter->turn->standing('waiting_ask', [], true);
        $matter->set(['held' => null, 'all' => []]);
        $matter->asked('waiting');

        return Move::stay();
    }

    public function answer(Matter $matter, bool $yes): Move
    {
        if (! $yes || $matter->step->waiting === null) {
            $matter->over();

            return Move::to($matter->step->none);
        }
        $matter->book->wait($matter->turn->state->id, $matter->going()['service'], $matter->going()['wish'], $matter->caller());
        $matter->turn->trace->rule("{$matter->step->key()}: on the waiting list");
        $matter->turn->standing('waiting_done', ['it' => $matter->service()->label ?? '']);
        $matter->over();

        return Move::on($matter->step->waiting);
    }
}
