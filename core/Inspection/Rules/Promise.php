<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Delivery\Means;
use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Line;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Script\Steps\Note\NoteStep;
use Ringo\Script\Steps\Send\SendStep;
use Ringo\Script\Steps\Step;
use Ringo\Script\Steps\Transfer\TransferStep;

/** Finds promises that nothing on the way keeps: to send something, to have booked, to ring back, to put through. */
final readonly class Promise implements Rule
{
    public function find(Design $design): iterable
    {
        foreach ($design->lines() as $line) {
            if ($line->step === null || $line->what !== 'prompt' || ! $design->flow->reached($line->step)) {
                continue;
            }
            foreach ($this->promised($design, $line) as $what) {
                $finding = match ($what) {
                    'text', 'email' => $this->sending($design, $line->step, $what),
                    'booked' => $design->around->delivers !== [] || $this->kept($design, $line->step, $this->books(...)) ? null : 'This says that something is booked, and no step on its way tells anybody: a web request, a text or an e-mail to those who book.',
                    'ring_back' => $design->around->delivers !== [] || $this->kept($design, $line->step, $this->ringsBack(...)) ? null : 'This promises to ring back, and nothing on its way leaves it to anybody: a call-back of the transfer rules, a note, or a message to those who ring.',
                    default => $this->kept($design, $line->step, static fn (Step $step): bool => $step instanceof TransferStep) ? null : 'This says that the caller is being put through, and no transfer step is on its way.',
                };
                if ($finding !== null) {
                    yield $finding instanceof Finding ? $finding : new Finding('promise', Severity::Error, $line->step, $finding);
                }
            }
        }
    }

    private function sending(Design $design, string $key, string $by): ?Finding
    {
        $sent = [];
        foreach ($this->onTheWay($design, $key) as $step) {
            if ($step instanceof SendStep) {
                $sent[$step->by] = Means::from($step->by)->called();
            }
        }
        if (isset($sent[$by]) || in_array($by, $design->around->delivers, true)) {
            return null;
        }

        return $sent === []
            ? new Finding('promise', Severity::Error, $key, 'This promises '.Means::from($by)->called().', and no step on its way sends one.')
            : new Finding('promise_kind', Severity::Error, $key, 'This promises '.Means::from($by)->called().', but what is sent on its way is '.implode(' and ', $sent).'.');
    }

    /** @param \Closure(Step, Design): bool $keeps */
    private function kept(Design $design, string $key, \Closure $keeps): bool
    {
        foreach ($this->onTheWay($design, $key) as $step) {
            if ($keeps($step, $design)) {
                return true;
            }
        }

        return false;
    }

    private function books(Step $step): bool
    {
        return $step instanceof SendStep && ! $this->toCaller($step);
    }

    private function ringsBack(Step $step, Design $design): bool
    {
        $rules = $design->script->transfers;
        $callsBack = static fn (array $rule): bool => in_array('call_back', [$rule['to'], ...$rule['otherwise']], true);

        return $step instanceof NoteStep
            || $step instanceof SendStep && ! $this->toCaller($step)
            || $step instanceof TransferStep && ($rules->default === 'call_back' || array_filter($rules->rules, $callsBack) !== []);
    }

    private function toCaller(SendStep $step): bool
    {
        return $step->by !== 'web' && preg_match('/^(?:role|person):|^\+?\d|@/', $step->to) !== 1;
    }

    /** @return list<Step> every step on a way through this one */
    private function onTheWay(Design $design, string $key): array
    {
        $steps = [];
        foreach ($design->script->steps as $other => $step) {
            if ($design->flow->reached((string) $other) && ((string) $other === $key || isset($design->flow->after($key)[$other]) || isset($design->flow->after((string) $other)[$key]))) {
                $steps[] = $step;
            }
        }

        return $steps;
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
            foreach ($design->words->section('inspection', 'promises') as $what => $patterns) {
                foreach ($patterns as $pattern) {
                    if (preg_match('/'.$pattern.'/u', $words) === 1) {
                        $found[$what] = (string) $what;
                    }
                }
            }
        }

        return array_values($found);
    }
}
