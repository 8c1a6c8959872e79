<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Script\Steps\Book\BookStep;

/** Finds steps that book what the diary does not have, or what nobody takes. */
final readonly class BooksNothing implements Rule
{
    public function find(Design $design): iterable
    {
        $services = $design->around->services;
        if ($services === null) {
            return;
        }
        foreach ($design->script->steps as $key => $step) {
            if (! $step instanceof BookStep || $step->does !== 'book') {
                continue;
            }
            $field = $step->serviceField === null ? null : $design->script->sheet->field($step->serviceField);
            $booked = array_unique([...($step->service === null ? [] : [$step->service]), ...array_column($field->options ?? [], 'key')]);
            foreach ($booked as $service) {
                if (! isset($services[$service])) {
                    yield new Finding('books_nothing', Severity::Error, (string) $key, "This step books “{$service}”, and the diary has no such service".($services === [] ? '.' : '; it has '.implode(', ', array_keys($services)).'.'));
                } elseif ($services[$service] === 0) {
                    yield new Finding('books_nothing', Severity::Error, (string) $key, "Nobody's diary takes “{$service}”, so nothing is ever free for it.");
                }
            }
        }
    }
}
