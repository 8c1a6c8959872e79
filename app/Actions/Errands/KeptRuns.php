<?php

declare(strict_types=1);

namespace App\Actions\Errands;

use App\Models\Call;
use App\Models\ErrandRun;
use Ringo\Errand\Errand;
use Ringo\Errand\Kept;
use Ringo\Errand\Prepared;
use Ringo\Errand\Reply;

/** Answers errands as they were answered in a call that took place, so that doing it again asks nobody and stays the same. */
final class KeptRuns implements Prepared
{
    /** @param list<ErrandRun> $runs */
    private function __construct(private array $runs)
    {
    }

    public static function of(Call $call): self
    {
        $runs = [];
        foreach (ErrandRun::query()->where('call_id', $call->id)->where('state', ErrandRun::BACK)->orderBy('id')->get() as $run) {
            if ($run instanceof ErrandRun) {
                $runs[] = $run;
            }
        }

        return new self($runs);
    }

    public function reply(Errand $errand, array $values): Kept
    {
        $of = array_values(array_filter($this->runs, static fn (ErrandRun $run): bool => $run->errand === $errand->key));
        foreach ([true, false] as $same) {
            foreach ($of as $run) {
                if (! $same || $run->values == $values) {
                    return new Kept(Reply::fromArray($run->reply ?? []), $run->milliseconds / 1000);
                }
            }
        }

        return new Kept(Reply::failed("“{$errand->label}” was not run in that call"));
    }
}
