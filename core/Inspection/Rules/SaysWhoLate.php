<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Speech\Prompt;

/** Finds calls that are placed and do not say within seven seconds who rings: whoever picks up decides in less whether to stay. */
final readonly class SaysWhoLate implements Rule
{
    private const SECONDS = 7.0;

    private const MOST_STEPS = 20;

    public function find(Design $design): iterable
    {
        if ($design->script->agent->direction !== 'outbound') {
            return;
        }
        $said = $this->opening($design);
        $places = array_filter([mb_stripos($said, $design->script->agent->business), mb_stripos($said, '[business]')], is_int(...));
        if ($said === '' || $places !== [] && $design->seconds(Prompt::of(mb_substr($said, 0, min($places) + mb_strlen($design->script->agent->business)))) <= self::SECONDS + 0.5) {
            return;
        }
        yield new Finding('says_who_late', Severity::Warning, $design->script->first, $places === []
            ? "Whoever picks up is not told who rings: “{$design->script->agent->business}” is not said before the first question."
            : 'Whoever picks up is told who rings only after more than seven seconds. Say it first, and then why.');
    }

    /** What is said up to the first question. */
    private function opening(Design $design): string
    {
        $said = '';
        $key = $design->script->first;
        for ($n = 0; $n < self::MOST_STEPS && isset($design->script->steps[$key]); $n++) {
            $step = $design->script->steps[$key];
            $said .= ' '.($step->prompt()?->variants[0] ?? '');
            $ways = $step->exits();
            if ($step->waits() || count($ways) !== 1) {
                break;
            }
            $key = $ways[0]->to;
        }

        return trim($said);
    }
}
