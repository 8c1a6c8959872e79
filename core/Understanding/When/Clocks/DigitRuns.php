<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Clocks;

use Ringo\Language\Token;
use Ringo\Understanding\Numerals;

/** Figures told one after another, as those of a telephone or an account: none of them is an hour. */
final readonly class DigitRuns
{
    /** So many figures in a row make no time of day. */
    public const LONG = 7;

    /** Words that stand among figures. */
    private const AMONG = ['oh', 'o', 'zero', 'nought', 'double', 'treble', 'triple', 'hundred'];

    public function __construct(private Numerals $numerals)
    {
    }

    /**
     * @param list<Token> $t
     *
     * @return array<int, true> places of their tokens
     */
    public function in(array $t): array
    {
        $places = [];
        $from = 0;
        $figures = 0;
        foreach ([...array_keys($t), count($t)] as $i) {
            $counts = isset($t[$i]) ? $this->figures($t, $i) : 0;
            if ($counts > 0) {
                $figures += $counts;

                continue;
            }
            $places += $figures >= self::LONG ? array_fill_keys(range($from, $i - 1), true) : [];
            $from = $i + 1;
            $figures = 0;
        }

        return $places;
    }

    /** @param list<Token> $t */
    private function figures(array $t, int $i): int
    {
        if (ctype_digit($t[$i]->text)) {
            return strlen($t[$i]->text);
        }

        return in_array($t[$i]->text, self::AMONG, true) || $this->numerals->cardinal([$t[$i]], 0) !== null ? 1 : 0;
    }
}
