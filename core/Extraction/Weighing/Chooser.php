<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

/** Chooses among all values a field might have, or none. */
final readonly class Chooser
{
    public function __construct(private Weights $weights)
    {
    }

    /**
     * @param list<Candidate> $candidates of one field
     *
     * @return list<Choice> the likeliest first, each value once
     */
    public function ranked(array $candidates): array
    {
        $powers = [];
        $whole = 1.0;
        foreach ($candidates as $n => $candidate) {
            $powers[$n] = exp(min(30.0, $this->weights->score(['type:'.Candidates::group($candidate->field) => 1.0] + $candidate->signs)));
            $whole += $powers[$n];
        }
        $sums = [];
        $tells = [];
        foreach ($candidates as $n => $candidate) {
            $value = json_encode($candidate->value, JSON_THROW_ON_ERROR);
            $sums[$value] = ($sums[$value] ?? 0.0) + $powers[$n] / $whole;
            if (! isset($tells[$value]) || $powers[$n] > $powers[$tells[$value]]) {
                $tells[$value] = $n;
            }
        }
        arsort($sums);

        return array_map(static fn (string $value, float $sum): Choice => new Choice($candidates[$tells[$value]], $sum), array_map(strval(...), array_keys($sums)), array_values($sums));
    }

    /** From this likelihood on a value is taken. */
    public function least(): float
    {
        return $this->weights->least();
    }
}
