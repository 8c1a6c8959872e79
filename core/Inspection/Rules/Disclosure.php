<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;

/** Finds openings that do not tell what the business requires: that no person speaks, that the call is recorded. */
final readonly class Disclosure implements Rule
{
    public function find(Design $design): iterable
    {
        if ($design->script->standing->mustSay === []) {
            return;
        }
        $texts = $this->openings($design);
        foreach ($design->script->standing->mustSay as $what) {
            $patterns = $design->words->section('inspection', 'discloses')[$what];
            foreach ($texts as $text) {
                $told = array_filter($patterns, static fn (string $pattern): bool => preg_match('/'.$pattern.'/ui', $text) === 1) !== [];
                if (! $told) {
                    yield new Finding('disclosure', Severity::Error, $design->script->first, $what === 'machine'
                        ? 'The business requires the opening to say that an automated agent speaks, and it does not.'
                        : 'The business requires the opening to say that the call is recorded, and it does not.');

                    break;
                }
            }
        }
    }

    /** @return list<string> what is said up to the first question, by kind of caller and variant */
    private function openings(Design $design): array
    {
        $said = '';
        $key = $design->script->first;
        for ($n = 0; $n < 20; $n++) {
            $step = $design->script->step($key);
            // Every variant must tell it: the one that tells least counts.
            $said .= ' '.($step->prompt()?->variants[0] ?? '');
            $ways = $design->script->steps[$key]->exits();
            if ($step->waits() || count($ways) !== 1 || ! isset($design->script->steps[$ways[0]->to])) {
                break;
            }
            $key = $ways[0]->to;
        }
        $greetings = array_filter($design->script->agent->greeting);
        if ($greetings === []) {
            return [$said];
        }
        $texts = [];
        foreach ($greetings as $greeting) {
            foreach ($greeting->variants as $variant) {
                $texts[] = $variant.' '.$said;
            }
        }

        return $texts;
    }
}
