<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Line;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Script\Steps\Send\SendStep;

/** Finds promises to send something that no step on the way sends, or sends by other means. */
final readonly class Promise implements Rule
{
    public function find(Design $design): iterable
    {
        foreach ($design->lines() as $line) {
            if ($line->step === null || $line->what !== 'prompt' || ! $design->flow->reached($line->step)) {
                continue;
            }
            foreach ($this->promised($design, $line) as $by) {
                $sent = $this->sent($design, $line->step);
                if (in_array($by, $sent, true)) {
                    continue;
                }
                $name = ['text' => 'a text', 'email' => 'an e-mail'][$by];
                yield $sent === []
                    ? new Finding('promise', Severity::Warning, $line->step, "This promises {$name}, and no step on its way sends one.")
                    : new Finding('promise_kind', Severity::Error, $line->step, "This promises {$name}, but what is sent on its way is ".implode(' and ', array_map(static fn (string $one): string => ['text' => 'a text', 'email' => 'an e-mail', 'web' => 'a web request'][$one], $sent)).'.');
            }
        }
    }

    /** @return list<string> */
    private function promised(Design $design, Line $line): array
    {
        $found = [];
        foreach ($line->sentences() as $sentence) {
            // A question offers, it does not promise.
            if (str_ends_with(trim($sentence), '?')) {
                continue;
            }
            $words = ' '.preg_replace('/[^a-z’\' -]+/u', ' ', mb_strtolower((new Line(null, '', $sentence))->bare())).' ';
            $words = str_replace('’', "'", $words);
            foreach (['text', 'email'] as $by) {
                foreach ($design->words->section('inspection', 'promises')[$by] as $pattern) {
                    if (preg_match('/'.$pattern.'/u', $words) === 1 && ! in_array($by, $found, true)) {
                        $found[] = $by;
                    }
                }
            }
        }

        return $found;
    }

    /** @return list<string> by what means anything is sent on a way through the step */
    private function sent(Design $design, string $key): array
    {
        $by = [];
        foreach ($design->script->steps as $other => $step) {
            if ($step instanceof SendStep && $design->flow->reached($other) && (isset($design->flow->after($key)[$other]) || isset($design->flow->after($other)[$key]))) {
                $by[] = $step->by;
            }
        }

        return array_values(array_unique($by));
    }
}
