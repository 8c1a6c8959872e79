<?php

declare(strict_types=1);

namespace Ringo\Trade;

use Ringo\Fit\Meaning;

/** Puts sayings in order of how common they are: one that many others of the same trades come near to, in meaning, is said often. */
final readonly class Commonness
{
    /** How many others it must come near to. */
    private const NEIGHBOURS = 4;

    /** Up to so many words it is said by many; a longer one is one caller's own. */
    private const PLAIN_WORDS = 9;

    public function __construct(private Meaning $meaning)
    {
    }

    /**
     * @param list<string> $sayings
     *
     * @return list<string> the commonest first, each once
     */
    public function order(array $sayings): array
    {
        $sayings = array_values(array_unique($sayings));
        $vectors = array_map($this->meaning->vector(...), $sayings);
        $likes = array_fill(0, count($sayings), []);
        foreach ($vectors as $n => $vector) {
            for ($m = 0; $m < $n; $m++) {
                $like = 0.0;
                foreach ($vector as $i => $value) {
                    $like += $value * $vectors[$m][$i];
                }
                $likes[$n][] = $likes[$m][] = $like;
            }
        }
        $common = [];
        foreach ($likes as $n => $near) {
            rsort($near);
            $words = max(self::PLAIN_WORDS, str_word_count($sayings[$n]));
            $common[$n] = array_sum(array_slice($near, 0, self::NEIGHBOURS)) / self::NEIGHBOURS * sqrt(self::PLAIN_WORDS / $words);
        }
        arsort($common);

        return array_map(static fn (int $n): string => $sayings[$n], array_keys($common));
    }
}
