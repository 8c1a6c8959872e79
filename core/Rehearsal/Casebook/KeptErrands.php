<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Casebook;

use Ringo\Errand\Errand;
use Ringo\Errand\Kept;
use Ringo\Errand\Prepared;
use Ringo\Errand\Reply;

/** Answers errands as the case has kept them: the same values first, else the first of that errand. */
final readonly class KeptErrands implements Prepared
{
    public function __construct(private KeptCase $case)
    {
    }

    public function reply(Errand $errand, array $values): Kept
    {
        foreach ([true, false] as $same) {
            foreach ($this->case->errands as $one) {
                if ($one['errand'] === $errand->key && (! $same || $one['values'] == $values)) {
                    return new Kept(Reply::fromArray($one['reply']), $one['seconds']);
                }
            }
        }

        return new Kept(Reply::failed("the case has no answer of “{$errand->key}”"));
    }
}
