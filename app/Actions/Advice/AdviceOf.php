<?php

declare(strict_types=1);

namespace App\Actions\Advice;

use App\Models\Advice;
use App\Models\Call;
use Ringo\Advice\KeptAdvice;
use Ringo\Advice\Opinion;
use Ringo\Advice\Purpose;

/** The opinions that were given in a call, so that doing it again asks nobody and stays the same. */
final readonly class AdviceOf
{
    /** @param list<array{purpose: string, doubt: string, choice: string, seconds: float}> $given */
    private function __construct(public array $given)
    {
    }

    public static function call(Call $call): self
    {
        $given = [];
        foreach (Advice::of($call)->where('ident', '!=', '')->get() as $one) {
            $given[] = ['purpose' => $one->purpose, 'doubt' => $one->doubt, 'choice' => $one->status === Opinion::TAKEN ? $one->value : '', 'seconds' => round($one->milliseconds / 1000, 2)];
        }

        return new self($given);
    }

    /** @return list<Purpose> what was asked about */
    public function about(): array
    {
        return array_map(Purpose::from(...), array_values(array_unique(array_column($this->given, 'purpose'))));
    }

    public function kept(): KeptAdvice
    {
        return KeptAdvice::of($this->given);
    }
}
