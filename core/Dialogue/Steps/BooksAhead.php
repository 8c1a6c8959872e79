<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Turn;
use Ringo\Script\Steps\Book\BookStep;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Script\Steps\Way;

/** Whether a time is agreed further on, before the next open question. */
final readonly class BooksAhead
{
    /** @param list<string> $does what the step that agrees it may do: book, change, cancel */
    public static function from(Turn $turn, string $step, array $does): bool
    {
        $open = [$step];
        $seen = [];
        while (($at = array_shift($open)) !== null) {
            $one = $turn->script->steps[$at] ?? null;
            if ($one === null || isset($seen[$at]) || $one instanceof ListenStep) {
                continue;
            }
            if ($one instanceof BookStep && in_array($one->does, $does, true)) {
                return true;
            }
            $seen[$at] = true;
            array_push($open, ...array_map(static fn (Way $way): string => $way->to, $one->exits()));
        }

        return false;
    }
}
