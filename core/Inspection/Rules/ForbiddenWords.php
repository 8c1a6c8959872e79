<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;

/** Finds prompts with words that the standing rules forbid; such sentences are left out in a call. */
final readonly class ForbiddenWords implements Rule
{
    public function find(Design $design): iterable
    {
        foreach ($design->lines() as $line) {
            foreach ($design->script->standing->neverSay as $word) {
                if ($word !== '' && mb_stripos($line->bare(), $word) !== false) {
                    yield new Finding('forbidden_words', Severity::Error, $line->step, "The standing rules forbid “{$word}”, so its sentence in the {$line->what} is never spoken.");
                }
            }
        }
    }
}
