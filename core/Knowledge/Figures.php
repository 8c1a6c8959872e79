<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;

/** The figures a question names, in digits or words: 'four of the cheapest fifteen inch tyres' names 4 and 15. */
final readonly class Figures
{
    /** Words that are numbers and far more often something else. */
    private const NO_NUMBERS = ['one', 'a', 'an', 'oh', 'o'];

    private const ORDINALS = ['first' => 1.0, 'second' => 2.0, 'third' => 3.0, 'fourth' => 4.0, 'fifth' => 5.0, 'tenth' => 10.0];

    private const SEVERAL = ['dozen' => 12.0, 'couple' => 2.0];

    /** @var array<string, int> */
    private array $small;

    /** @var array<string, int> */
    private array $tens;

    public function __construct(Vocabulary $words, private Terms $terms)
    {
        /** @var array<string, int> $small */
        $small = $words->section('numbers', 'units') + $words->section('numbers', 'teens');
        /** @var array<string, int> $tens */
        $tens = $words->section('numbers', 'tens');
        $this->small = array_diff_key($small, array_flip(self::NO_NUMBERS));
        $this->tens = $tens;
    }

    /**
     * @param string $line the words that ask, in lower case
     *
     * @return list<float>
     */
    public function in(string $said, string $line): array
    {
        preg_match_all('/(?<![\w.])\d+(?:\.\d+)?(?!\w)/', $said, $figures);
        $numbers = array_map(floatval(...), $figures[0]);
        if ($numbers === [] && preg_match('/\b('.implode('|', array_keys(self::ORDINALS)).') year\b/', $line, $m) === 1) {
            return [self::ORDINALS[$m[1]]];
        }
        if (preg_match('/\b(\w+) point (\w+)\b/', $line, $m) === 1) {
            $whole = $this->value($m[1]);
            $after = $this->value($m[2]);

            return $whole === null || $after === null ? $numbers : [(float) "{$whole}.{$after}"];
        }

        return $numbers === [] ? $this->spelled(array_map(static fn (Token $token): string => $token->text, $this->terms->tokens($said))) : $numbers;
    }

    /**
     * @param list<string> $words
     *
     * @return list<float>
     */
    private function spelled(array $words): array
    {
        $numbers = [];
        for ($n = 0, $count = count($words); $n < $count; $n++) {
            $value = $this->small[$words[$n]] ?? $this->tens[$words[$n]] ?? self::SEVERAL[$words[$n]] ?? null;
            if ($value === null) {
                continue;
            }
            $next = $words[$n + 1] ?? '';
            if (isset($this->tens[$words[$n]]) && ($next === 'one' || ($this->small[$next] ?? 99) < 10)) {
                $value += $next === 'one' ? 1 : $this->small[$next];
                $n++;
            }
            if (($words[$n + 1] ?? '') === 'hundred') {
                $value *= 100;
                $n++;
            }
            $numbers[] = (float) $value;
        }

        return $numbers;
    }

    private function value(string $word): ?int
    {
        return is_numeric($word) ? (int) $word : (['one' => 1, 'oh' => 0, 'nought' => 0, 'zero' => 0][$word] ?? $this->small[$word] ?? $this->tens[$word] ?? null);
    }
}
