<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Placeholders;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;

/** Finds what a starter or a new step left to be filled: blanks in braces or brackets, sample words. */
final readonly class Leftover implements Rule
{
    public function find(Design $design): iterable
    {
        $data = $design->document->toArray();
        foreach ($data['steps'] as $step) {
            foreach ($this->blanks($design, $step) as $blank) {
                yield new Finding('leftover', Severity::Error, $step['key'], "“{$blank}” still has to be filled in.");
            }
        }
        foreach (array_diff_key($data, ['steps' => 1]) as $part => $value) {
            foreach ($this->blanks($design, $value) as $blank) {
                yield new Finding('leftover', Severity::Error, null, "“{$blank}” in the ".(['agent' => 'agent', 'facts' => 'facts', 'standing' => 'standing rules', 'sheet' => 'record sheet', 'hours' => 'hours'][$part] ?? $part).' still has to be filled in.');
            }
        }
    }

    /** @return list<string> */
    private function blanks(Design $design, mixed $value): array
    {
        if (is_array($value)) {
            $all = [];
            foreach ($value as $key => $one) {
                array_push($all, ...($key === 'pattern' ? [] : $this->blanks($design, $one)));
            }

            return array_values(array_unique($all));
        }
        if (! is_string($value)) {
            return [];
        }
        $found = [];
        preg_match_all('/\{[^{}]{1,80}\}|<[a-z][^<>]{1,60}>/ui', $value, $braces);
        array_push($found, ...$braces[0]);
        preg_match_all('/\[[^\[\]|]*\]/u', $value, $brackets);
        foreach ($brackets[0] as $bracket) {
            if (Placeholders::in($bracket) === []) {
                $found[] = $bracket;
            }
        }
        foreach ($design->words->section('inspection', 'leftovers') as $pattern) {
            if (preg_match('/'.$pattern.'/ui', $value, $m) === 1) {
                $found[] = $m[0];
            }
        }

        return $found;
    }
}
