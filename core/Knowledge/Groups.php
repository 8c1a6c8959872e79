<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

use Ringo\Language\Vocabulary;

/** Puts questions together that ask the same, by the words and rings they share. */
final readonly class Groups
{
    private Terms $terms;

    public function __construct(Vocabulary $words)
    {
        $this->terms = new Terms($words);
    }

    /**
     * @template K of array-key
     *
     * @param array<K, string> $questions
     *
     * @return list<list<K>> groups of keys, the largest first
     */
    public function of(array $questions): array
    {
        $abouts = [];
        $groups = [];
        foreach ($questions as $key => $question) {
            $about = $this->about($question);
            $best = null;
            $most = 0.45;
            foreach ($abouts as $n => $words) {
                $shared = count(array_intersect_key($about, $words));
                $likeness = $shared / max(1, min(count($about), count($words)));
                if ($shared > 0 && $likeness > $most) {
                    [$best, $most] = [$n, $likeness];
                }
            }
            if ($best === null) {
                $abouts[] = $about;
                $groups[] = [$key];
            } else {
                $groups[$best][] = $key;
                $abouts[$best] += $about;
            }
        }
        usort($groups, static fn (array $a, array $b): int => count($b) <=> count($a));

        return $groups;
    }

    /** @return array<string, true> */
    private function about(string $question): array
    {
        $about = [];
        foreach ($this->terms->of($question) as $unit) {
            if (($unit['part'] ?? false) || $unit['generic'] && $unit['rings'] === []) {
                continue;
            }
            $about[$unit['rings'] === [] ? $unit['stem'] : '~'.$unit['rings'][0]] = true;
        }

        return $about;
    }
}
