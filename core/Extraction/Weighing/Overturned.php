<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

/** What a caller sets against a value that the other side has just said back: 'Tuesday, is that right?' – 'No, make it Thursday'. */
final readonly class Overturned
{
    /**
     * @param list<Candidate> $candidates of one field
     * @param list<string> $values theirs, so that the same value is the same text
     *
     * @return list<array<string, float>> by candidate: whether it overturns another, and whether it was overturned
     */
    public function of(array $candidates, array $values): array
    {
        $signs = array_fill(0, count($candidates), []);
        foreach ($candidates as $n => $candidate) {
            foreach ($this->puts($candidate) ? $this->saidBack($candidate, $values[$n], $candidates, $values) : [] as $value) {
                $signs[$n]['overturns'] = 1.0;
                foreach ($candidates as $k => $earlier) {
                    if ($values[$k] === $value && $earlier->place < $candidate->place) {
                        $signs[$k]['overturned'] = 1.0;
                    }
                }
            }
        }

        return $signs;
    }

    private function puts(Candidate $candidate): bool
    {
        return in_array($candidate->told, [Candidate::ANSWER, Candidate::MENDED], true)
            && max($candidate->signs['says_no'] ?? 0.0, $candidate->signs['takes_back'] ?? 0.0) >= 1.0;
    }

    /**
     * @param list<Candidate> $candidates
     * @param list<string> $values
     *
     * @return list<string> other values in the words right before
     */
    private function saidBack(Candidate $candidate, string $value, array $candidates, array $values): array
    {
        $back = [];
        foreach ($candidates as $k => $one) {
            if ($one->told === Candidate::OFFER && $one->place === $candidate->place - 1 && $values[$k] !== $value) {
                $back[$values[$k]] = $values[$k];
            }
        }

        return array_values($back);
    }
}
