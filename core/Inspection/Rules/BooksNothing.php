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
        $diaries = $design->around->diaries;
        if ($diaries === null) {
            return;
        }
        foreach ($design->script->steps as $key => $step) {
            foreach ($step instanceof BookStep && $step->does === 'book' ? $step->services($design->script->sheet) : [] as $service) {
                if (! isset($diaries->services[$service])) {
                    yield new Finding('books_nothing', Severity::Error, (string) $key, "This step books “{$service}”, and the diary has no such service".($diaries->services === [] ? '.' : '; it has '.implode(', ', array_keys($diaries->services)).'.'));
                } elseif ($diaries->taking($diaries->services[$service]) === []) {
                    yield new Finding('books_nothing', Severity::Error, (string) $key, "Nobody's diary takes “{$service}”, so nothing is ever free for it.");
                }
            }
        }
    }
}
