<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Errand\Errand;
use Ringo\Errand\Parameter;
use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Script\Steps\LookUp\LookUpStep;

/** Finds look-ups of what is not there, that nobody can tell what they need, that do twice what must be done once, or that keep callers waiting wrongly. */
final readonly class ErrandsGoAstray implements Rule
{
    /** Seconds that nobody notices. */
    private const UNNOTICED = 1.5;

    /** Seconds from which the manner's own waiting words are too few. */
    private const LONG = 8.0;

    public function find(Design $design): iterable
    {
        $errands = $design->around->errands;
        $asked = $design->script->recognition->errand;
        if ($errands !== null && $asked !== null && ($errands->get($asked) === null || $errands->get($asked)->changes)) {
            yield new Finding('no_such_errand', Severity::Error, null, $errands->get($asked) === null ? "Before the first word the errand “{$asked}” is asked, and there is none." : "“{$asked}” changes something, so it cannot be asked for every caller before the first word.");
        }
        yield from $this->ofItsOwnAccord($design);
        foreach ($design->script->steps as $key => $step) {
            if (! $step instanceof LookUpStep || $errands === null) {
                continue;
            }
            $errand = $errands->get($step->errand);
            if ($errand === null) {
                yield new Finding('no_such_errand', Severity::Error, $key, "This step runs the errand “{$step->errand}”, and there is none".($errands->all() === [] ? '.' : '; there are '.implode(', ', array_keys($errands->all())).'.'));

                continue;
            }
            if ($design->script->sheet->field($errand->key) !== null) {
                yield new Finding('errand_hidden', Severity::Error, $key, "The record sheet has a field “{$errand->key}” too, so what this errand finds cannot be named. Give the errand another key.");
            }
            yield from $this->needs($design, $key, $errand);
            yield from $this->waits($key, $step, $errand);
            foreach ($step->keep as $field => $value) {
                if ($errand->sought($value) === null) {
                    yield new Finding('errand_gives', Severity::Error, $key, "{$field} is to be filled with “{$value}”, and “{$errand->label}” reads no such value.");
                }
            }
            foreach ($errand->secretsInSight() as $name) {
                yield new Finding('secret_in_sight', Severity::Error, $key, "“{$errand->label}” carries “{$name}” where everybody who sees the design can read it. Keep it as the errand’s secret.");
            }
            yield from $this->twice($design, $key, $step, $errand);
        }
    }

    /** @return iterable<Finding> */
    private function ofItsOwnAccord(Design $design): iterable
    {
        $errands = $design->around->errands;
        if ($errands === null) {
            return;
        }
        $changing = [];
        foreach ($design->script->errands->all as $one) {
            $errand = $errands->get($one['errand']);
            if ($errand === null) {
                yield new Finding('no_such_errand', Severity::Error, null, "By itself this agent runs the errand “{$one['errand']}” ({$one['key']}), and there is none.");

                continue;
            }
            foreach ($errand->parameters as $parameter) {
                if ($parameter->required && $parameter->value === null && ($parameter->from === null || ! str_contains($parameter->from, '.') && $design->script->sheet->field($parameter->from) === null && ! in_array($parameter->from, ['topic', 'outcome'], true))) {
                    yield new Finding('errand_needs', Severity::Error, null, "“{$errand->label}” is run by itself ({$one['key']}) and needs {$parameter->label}, which nobody can tell it.");
                }
            }
            foreach ($errand->secretsInSight() as $name) {
                yield new Finding('secret_in_sight', Severity::Error, null, "“{$errand->label}” carries “{$name}” where everybody who sees the design can read it. Keep it as the errand’s secret.");
            }
            if ($errand->changes && isset($changing[$errand->key])) {
                yield new Finding('changes_twice', Severity::Warning, null, "“{$errand->label}” changes something, and both {$changing[$errand->key]} and {$one['key']} run it by themselves.");
            }
            $changing[$errand->key] = $one['key'];
        }
    }

    /** @return iterable<Finding> */
    private function needs(Design $design, string $key, Errand $errand): iterable
    {
        foreach ($errand->parameters as $parameter) {
            if (! $parameter->required || $parameter->value !== null || $parameter->from === null || $design->script->sheet->field($parameter->from) !== null) {
                continue;
            }
            [$head] = explode('.', $parameter->from);
            if ($head === 'caller') {
                yield from $this->notEveryCaller($design, $key, $errand, $parameter);
            } elseif (! in_array($head, ['call', 'fact', 'topic', 'outcome'], true) && ! $design->errandGives($parameter->from)) {
                yield new Finding('errand_needs', Severity::Error, $key, "“{$errand->label}” needs {$parameter->label} from “{$parameter->from}”, and the record sheet has no such field: nobody can tell it.");
            }
        }
    }

    /** @return iterable<Finding> */
    private function notEveryCaller(Design $design, string $key, Errand $errand, Parameter $parameter): iterable
    {
        if (! in_array($parameter->from, ['caller.number', 'caller.known'], true) && ! $design->flow->certain($key, (string) $parameter->from)) {
            yield new Finding('errand_needs', Severity::Warning, $key, "“{$errand->label}” needs {$parameter->label} from {$parameter->from}, which not every caller has; those who lack it go the way of a failure.");
        }
    }

    /** @return iterable<Finding> */
    private function waits(string $key, LookUpStep $step, Errand $errand): iterable
    {
        if ($step->waiting !== null && $errand->seconds <= self::UNNOTICED) {
            yield new Finding('waits_for_nothing', Severity::Note, $key, "“{$errand->label}” is back or given up within ".number_format($errand->seconds, 1).' s: the waiting words are never said.');
        }
        if ($step->waiting === null && $errand->seconds > self::LONG) {
            yield new Finding('waits_in_silence', Severity::Note, $key, "“{$errand->label}” may take ".number_format($errand->seconds, 0).' s. Say in your own words what the caller waits for.');
        }
    }

    /** @return iterable<Finding> */
    private function twice(Design $design, string $key, LookUpStep $step, Errand $errand): iterable
    {
        if (! $errand->changes) {
            return;
        }
        foreach (array_keys($design->flow->after($key)) as $later) {
            $other = $design->script->steps[$later] ?? null;
            if ($later !== $key && $other instanceof LookUpStep && $other->errand === $step->errand) {
                yield new Finding('changes_twice', Severity::Warning, (string) $later, "“{$errand->label}” changes something, and the call may have done it at ".Design::named($key).' before it comes here. With the same values it is not done again; with others it is.');
            }
        }
    }
}
