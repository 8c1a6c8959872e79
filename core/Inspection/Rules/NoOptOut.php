<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;

/** Finds outbound designs that do not tell people how to stop the calls. */
final readonly class NoOptOut implements Rule
{
    public function find(Design $design): iterable
    {
        if ($design->script->agent->direction !== 'outbound') {
            return;
        }
        foreach ($design->lines() as $line) {
            if ($line->step === null || ! $design->flow->reached($line->step)) {
                continue;
            }
            foreach ($design->words->section('inspection', 'opt_out') as $pattern) {
                if (preg_match('/'.$pattern.'/ui', $line->bare()) === 1) {
                    return;
                }
            }
        }
        yield new Finding('no_opt_out', Severity::Error, $design->script->first, 'An outbound call must tell people how to stop further calls, and nothing here does. Say for instance “to stop these calls, press 9”.');
    }
}
