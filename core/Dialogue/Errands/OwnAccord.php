<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Errands;

use Ringo\Dialogue\Actions\LookUp;
use Ringo\Dialogue\Turn;
use Ringo\Errand\Errands;
use Ringo\Script\OwnErrands;

/** Sends errands nobody waits for: an alarm the moment its condition holds, a note to another system when the call is over. Each once. */
final readonly class OwnAccord
{
    public function __construct(private Errands $errands, private Known $known)
    {
    }

    public function after(Turn $turn): void
    {
        $state = $turn->state;
        foreach ($turn->script->errands->all as $one) {
            if (in_array($one['key'], $state->ownErrands, true) || $one['moment'] === OwnErrands::AT_END && ! $state->ended || $one['when'] !== null && ! $one['when']->holds($turn->scope()->value(...))) {
                continue;
            }
            $errand = $this->errands->get($one['errand']);
            if ($errand === null) {
                $turn->trace->rule("{$one['key']}: there is no errand “{$one['errand']}”");
                $state->ownErrands[] = $one['key'];

                continue;
            }
            [$values, $missing] = $this->known->values($turn, $errand);
            if ($missing !== null && ! $state->ended) {
                // What it needs may still be told.
                continue;
            }
            $state->ownErrands[] = $one['key'];
            if ($missing !== null) {
                $turn->trace->rule("{$one['key']}: not run, {$missing->label} is not known");

                continue;
            }
            $state->errands++;
            $turn->trace->rule("{$one['key']}: runs {$errand->key}, and goes on".($one['when'] === null ? '' : '; '.$one['when']->inWords()));
            $turn->actions[] = new LookUp('e'.$state->errands, $errand->key, $values, $errand->seconds, $errand->changes, $state->step, false);
        }
    }
}
