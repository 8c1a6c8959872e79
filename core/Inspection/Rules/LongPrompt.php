<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Script\Steps\Say\SayStep;

/** Finds more talk than a caller bears before the first chance to answer: over about 12 seconds. */
final readonly class LongPrompt implements Rule
{
    private const SECONDS = 12.0;

    public function find(Design $design): iterable
    {
        foreach ($design->script->steps as $key => $step) {
            if (! $step->waits() && $step->kind() !== 'finish' || ! $design->flow->reached($key)) {
                continue;
            }
            $own = $design->seconds($step->prompt());
            $before = $this->before($design, $key, []);
            $all = $own + $before;
            $limit = $step->kind() === 'finish' ? 2 * self::SECONDS : self::SECONDS;
            if ($all <= $limit + 0.5) {
                continue;
            }
            $seconds = number_format($all, 0);
            yield new Finding('long_prompt', Severity::Warning, $key, $before < 0.5
                ? "This takes {$seconds} seconds to say, and the caller waits as long to answer. Under 12 is good: say the question first, and the rest when it is asked for."
                : "The caller listens for {$seconds} seconds before this can be answered, ".number_format($own, 0).' of them here and the rest in the steps before. Under 12 is good.');
        }
    }

    /** @param array<string, true> $seen seconds of what is said before a step without the caller having had a say */
    private function before(Design $design, string $key, array $seen): float
    {
        if (isset($seen[$key])) {
            return 0.0;
        }
        $seen[$key] = true;
        $most = $key === $design->script->first ? max([0.0, ...array_map($design->seconds(...), array_values($design->script->agent->greeting))]) : 0.0;
        foreach ($design->flow->before($key) as $earlier) {
            $step = $design->script->step($earlier);
            if ($step->waits()) {
                continue;
            }
            $most = max($most, $this->before($design, $earlier, $seen) + ($step instanceof SayStep ? $design->seconds($step->prompt()) : 0.0));
        }

        return $most;
    }
}
