<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Design\ScriptDocument;
use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Fix;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Script\Hours;

/** Finds a script that writes opening hours of its own which are others than those of the brief. */
final readonly class HoursDiffer implements Rule
{
    private const DAYS = [1 => 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

    public function find(Design $design): iterable
    {
        $own = $design->script->hours;
        $brief = $design->around->brief?->hours;
        if ($brief === null || ! $brief->given() || ! $own->given()) {
            return;
        }
        $of = Hours::of($brief);
        $others = array_values(array_filter(array_keys(self::DAYS), static fn (int $day): bool => $own->week[$day] !== $of->week[$day]));
        $missing = array_keys(array_filter($own->closures, static fn (string $date): bool => $brief->on($date)->open !== [], ARRAY_FILTER_USE_KEY));
        $words = array_filter([
            $others === [] ? '' : 'on '.implode(', ', array_map(static fn (int $day): string => self::DAYS[$day], $others)),
            $missing === [] ? '' : 'on '.implode(', ', $missing).', which the brief does not close',
        ]);
        if ($words !== []) {
            yield new Finding('hours_differ', Severity::Warning, null, 'The script’s own hours are others than the brief’s '.implode(', and ', $words).'. Callers hear the script’s.', new Fix('Take the script’s hours out: the brief’s hold', static fn (ScriptDocument $document): ScriptDocument => $document->with('hours', [])));
        }
    }
}
