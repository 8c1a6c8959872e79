<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Script\Steps\Listen\ListenStep;

/** Tells how many of the things callers of such a business usually say come to nothing; a warning where it is most of them. */
final readonly class CallersSay implements Rule
{
    /** Share of sayings that come to nothing from which callers are sure to notice. */
    private const MOST = 0.5;

    /** Sayings named as examples. */
    private const NAMED = 2;

    public function find(Design $design): iterable
    {
        $foreseen = $design->around->foreseen;
        if ($foreseen === null || $foreseen['of'] === 0 || $foreseen['missed'] === []) {
            return;
        }
        $listens = array_filter($design->script->steps, static fn ($step): bool => $step instanceof ListenStep);
        if ($listens === []) {
            return;
        }
        $missed = count($foreseen['missed']);
        $examples = implode('” and “', array_slice($foreseen['missed'], 0, self::NAMED));
        $kind = implode(' or ', $foreseen['trades']);

        yield new Finding('callers_say', $missed / $foreseen['of'] >= self::MOST ? Severity::Warning : Severity::Note, (string) array_key_first($listens), "Of {$foreseen['of']} things callers of a {$kind} say, {$missed} come to nothing, such as “{$examples}”. What callers will say lists them, with one key each.");
    }
}
