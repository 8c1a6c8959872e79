<?php

declare(strict_types=1);

namespace Ringo\Speech;

/**
 * How long words take to say.
 *
 * Counted in syllables at 4.3 a second for an agent at pace 1 and 3.9 for a caller, with a quarter of a second for a comma and 0.45 for the end of a sentence.
 * Conversational English runs at 4 to 5 syllables a second (W. J. M. Levelt, Speaking, 1989, chapter 1).
 */
final readonly class Timing
{
    private const AGENT = 4.3;

    private const CALLER = 3.9;

    /** @return float seconds, to a tenth */
    public function ofAgent(string $text, float $pace = 1.0): float
    {
        return $this->seconds($text, self::AGENT * max(0.5, min(2.0, $pace)));
    }

    /** @return float seconds, to a tenth */
    public function ofCaller(string $text): float
    {
        return $this->seconds($text, self::CALLER);
    }

    /** How much of a text has been heard after so many seconds; cut at a word. */
    public function heardAfter(string $text, float $seconds, float $pace = 1.0): string
    {
        $words = preg_split('/\s+/', $text, -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $heard = [];
        foreach ($words as $word) {
            $heard[] = $word;
            if ($this->ofAgent(implode(' ', $heard), $pace) > $seconds) {
                array_pop($heard);

                break;
            }
        }

        return implode(' ', $heard);
    }

    private function seconds(string $text, float $rate): float
    {
        $pauses = 0.25 * preg_match_all('/[,;:—–]/u', $text) + 0.45 * preg_match_all('/[.!?…](?:\s|$)/u', $text);
        $syllables = 0;
        foreach (preg_split('/[^\p{L}\p{N}\']+/u', mb_strtolower($text), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
            $syllables += $this->syllables($word);
        }

        return round($syllables / $rate + $pauses, 1);
    }

    private function syllables(string $word): int
    {
        if (preg_match('/^\d+$/', $word) === 1) {
            return (int) ceil(strlen($word) * 1.4);
        }
        if (mb_strlen($word) === 1) {
            return 1;
        }
        $groups = preg_match_all('/[aeiouyà-ü]+/u', $word);
        if (preg_match('/[^aeiouyl]e$|[^aeiou]es$|[^td]ed$/', $word) === 1 && $groups > 1) {
            $groups--;
        }

        return max(1, (int) $groups);
    }
}
