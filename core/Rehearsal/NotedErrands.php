<?php

declare(strict_types=1);

namespace Ringo\Rehearsal;

use Ringo\Errand\Errand;
use Ringo\Errand\Kept;
use Ringo\Errand\Prepared;

/** Notes what other systems answer in a call, so that the call can be kept. */
final class NotedErrands implements Prepared
{
    /** @var list<array{errand: string, values: array<string, mixed>, reply: array<string, mixed>, seconds: float}> in the form of a kept case */
    public array $noted = [];

    public function __construct(private readonly Prepared $answers)
    {
    }

    public function reply(Errand $errand, array $values): Kept
    {
        $kept = $this->answers->reply($errand, $values);
        $this->noted[] = ['errand' => $errand->key, 'values' => $values, 'reply' => $kept->reply->toArray(), 'seconds' => $kept->seconds];

        return $kept;
    }
}
