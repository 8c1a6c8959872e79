<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Script\Steps\Verify\VerifyStep;

/** Finds verify steps for which no caller has anything on file. */
final readonly class VerifiesNothing implements Rule
{
    /** Facts that every caller with a number, or an entry, may have. */
    private const ALWAYS = ['code', 'phone', 'name'];

    /** Other names under which a reference is kept. */
    private const REFERENCES = ['reference', 'account', 'account_number'];

    private const NEEDED_OF_ANY = 2;

    public function find(Design $design): iterable
    {
        $known = $design->around->callerFacts;
        if ($known === null) {
            return;
        }
        $known = [...$known, ...self::ALWAYS, ...(array_intersect(self::REFERENCES, $known) === [] ? [] : ['reference'])];
        foreach ($design->script->steps as $key => $step) {
            if (! $step instanceof VerifyStep) {
                continue;
            }
            $wanted = $step->by === 'any_two' ? $step->facts : [$step->by];
            $there = array_intersect($wanted, $known);
            if (count($there) < ($step->by === 'any_two' ? self::NEEDED_OF_ANY : 1)) {
                $missing = implode(', ', array_map(static fn (string $fact): string => str_replace('_', ' ', $fact), array_diff($wanted, $known)));
                yield new Finding('verifies_nothing', Severity::Warning, (string) $key, "No caller has this on file to check against: {$missing}. Bring it in with the callers, or check by something else.");
            }
        }
    }
}
