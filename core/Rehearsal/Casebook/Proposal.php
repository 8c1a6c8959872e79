<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Casebook;

use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Origin;
use Ringo\Rehearsal\Crowd\Walked;
use Ringo\Script\Script;

/** What a call that went well would have to hold if it were a case: proposed from what happened, for somebody to tick. */
final readonly class Proposal
{
    /** A turn or two more than it took is still as good. */
    private const TURNS_MORE = 2;

    /** Of a stand-in caller's call: what they meant is what must come out, whether it did or not. */
    public static function meant(Script $script, Walked $walked): Expectations
    {
        $state = $walked->call->state;
        $what = self::of($script, $state);
        if ($walked->achieved) {
            return $what;
        }
        $values = $what->values;
        foreach ($walked->fields as $field => $how) {
            if ($how !== 'right') {
                $values[$field] = $walked->meant[$field];
            }
        }

        return new Expectations($values, null, [], [], [], $what->askedOnce);
    }

    public static function of(Script $script, CallState $state): Expectations
    {
        $values = $once = [];
        foreach ($state->values as $field => $held) {
            if ($held->origin !== Origin::Recognised) {
                $values[$field] = $held->value;
            }
            if (isset($state->askedAt[$field]) && ($state->visits[$state->askedAt[$field]] ?? 0) + ($state->again[$state->askedAt[$field]] ?? 0) <= 1) {
                $once[] = (string) $field;
            }
        }

        return new Expectations($values, $state->outcome, [], [], [], $once, $state->heard + self::TURNS_MORE, array_values(array_unique(array_column($state->sent, 'by'))));
    }
}
