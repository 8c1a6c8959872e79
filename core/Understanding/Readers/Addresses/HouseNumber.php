<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers\Addresses;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Numerals;

/** The number of a house: '14', 'fourteen', 'fourteen b', 'one twenty three', 'twelve to fourteen'. */
final readonly class HouseNumber
{
    private Numerals $numerals;

    public function __construct(Vocabulary $words)
    {
        $this->numerals = new Numerals($words);
    }

    /**
     * @param list<Token> $t
     *
     * @return array{string, int}|null as it is written, and how many tokens it takes
     */
    public function at(array $t, int $i): ?array
    {
        if (! isset($t[$i])) {
            return null;
        }
        [$chunks, $length] = $this->numerals->chunks($t, $i);
        if ($chunks === [] || in_array($t[$i]->text, ['oh', 'o'], true)) {
            return null;
        }
        if ($t[$i]->isDigits()) {
            $number = $t[$i]->text;
            $length = 1;
        } else {
            $number = count($chunks) === 1 ? (string) $chunks[0] : implode('', array_map(strval(...), $chunks));
        }
        $next = $t[$i + $length] ?? null;
        if ($next !== null && $next->isLetter() && ! $next->afterBreak()) {
            return [$number.strtoupper($next->text), $length + 1];
        }

        return [$number, $length];
    }
}
