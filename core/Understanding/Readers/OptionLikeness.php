<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers;

use Ringo\Language\Stemmer;
use Ringo\Language\Token;
use Ringo\Language\Tokenizer;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;

/** Options told by the telling words they share with what was said, with small errors of a recogniser forgiven. */
final readonly class OptionLikeness
{
    private Stemmer $stemmer;

    private Tokenizer $tokenizer;

    /**
     * @param list<string> $small words that tell nothing
     * @param array<string, int> $figures stems of words of numbers, which are like nothing but themselves: an eight is not right
     */
    public function __construct(private array $small, private array $figures = [])
    {
        $this->stemmer = new Stemmer;
        $this->tokenizer = new Tokenizer;
    }

    /**
     * The option that shares the most telling words, forgiving the recogniser small errors.
     *
     * @param list<Token> $t
     */
    public function in(array $t, Context $context, Heard $heard): Reading|string|null
    {
        $bags = [];
        $holders = [];
        foreach ($context->options as $option) {
            foreach (OptionNames::of($option) as [$phrase, $weight]) {
                $telling = array_values(array_filter($this->tokenizer->words($phrase), fn (string $word): bool => ! in_array($word, $this->small, true) && (strlen($word) > 1 || ctype_digit($word))));
                // One word out of a saying of several tells little: 'time' of 'leave it this time'.
                $weight = $phrase === $option['label'] ? $weight : $weight / max(1, count($telling));
                foreach ($telling as $word) {
                    $stem = $this->stemmer->stem($word);
                    $bags[$option['key']][$stem] = max($bags[$option['key']][$stem] ?? 0, $weight);
                    $holders[$stem][$option['key']] = true;
                }
            }
        }
        $scores = [];
        $first = [];
        $last = [];
        foreach ($t as $i => $token) {
            if (in_array($token->text, $this->small, true)) {
                continue;
            }
            $stem = $this->stemmer->stem($token->text);
            foreach ($bags as $key => $bag) {
                $best = 0.0;
                foreach ($bag as $other => $weight) {
                    // What nobody asked for is not taken from a word that is only like it: 'last night' is no eight.
                    $same = ($context->asked && ! isset($this->figures[$stem]) || $stem === (string) $other ? $this->sameness($stem, (string) $other) : 0.0) * $weight / count($holders[$other]);
                    $best = max($best, $same);
                }
                if ($best > 0) {
                    $scores[$key] = ($scores[$key] ?? 0.0) + $best;
                    $first[$key] ??= $i;
                    $last[$key] = $i;
                }
            }
        }
        arsort($scores);
        $keys = array_keys($scores);
        if ($keys === [] || $scores[$keys[0]] < 0.6) {
            return null;
        }
        $lead = $scores[$keys[0]] - ($scores[$keys[1] ?? ''] ?? 0.0);
        if ($lead < 0.3) {
            return 'that fits more than one: '.implode(', ', array_slice($keys, 0, 3));
        }
        $key = (string) $keys[0];

        [$from, $to] = [$t[$first[$key]]->start, $t[$last[$key]]->end];

        return Reading::of($key, 0.6 + 0.22 * min(1.0, $lead), $heard->between($from, $to), $from, $to);
    }

    /** Likeness of two stems from 0 to 1: equal, one letter off, or alike in sound. */
    private function sameness(string $a, string $b): float
    {
        if ($a === $b) {
            return 1.0;
        }
        if (strlen($a) < 4 || strlen($b) < 4 || ctype_digit($a) || ctype_digit($b)) {
            return 0.0;
        }
        $distance = levenshtein(substr($a, 0, 60), substr($b, 0, 60));
        $length = max(strlen($a), strlen($b));
        if ($distance <= ($length >= 8 ? 2 : 1) && $length >= 5) {
            return 0.8;
        }

        return $length >= 5 && metaphone($a) === metaphone($b) && strlen(metaphone($a)) >= 3 ? 0.75 : 0.0;
    }
}
