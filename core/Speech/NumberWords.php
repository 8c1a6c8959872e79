<?php

declare(strict_types=1);

namespace Ringo\Speech;

/** Writes numbers in English words, as they are said: 'two hundred and forty nine', 'fourteenth', 'twenty twenty six'. */
final readonly class NumberWords
{
    private const SMALL = ['zero', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve', 'thirteen', 'fourteen', 'fifteen', 'sixteen', 'seventeen', 'eighteen', 'nineteen'];

    private const TENS = [2 => 'twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety'];

    private const ORDINALS = ['one' => 'first', 'two' => 'second', 'three' => 'third', 'five' => 'fifth', 'eight' => 'eighth', 'nine' => 'ninth', 'twelve' => 'twelfth'];

    /** @param bool $and whether 'and' is said before the last two digits (GB) */
    public function cardinal(int|float $number, bool $and = true): string
    {
        if ($number < 0) {
            return 'minus '.$this->cardinal(-$number, $and);
        }
        if (is_float($number) && floor($number) !== $number) {
            [$whole, $decimals] = explode('.', rtrim(sprintf('%.6F', $number), '0'));

            return $this->cardinal((int) $whole, $and).' point '.implode(' ', array_map(static fn (string $digit): string => self::SMALL[(int) $digit], str_split($decimals)));
        }
        $number = (int) $number;
        if ($number < 20) {
            return self::SMALL[$number];
        }
        if ($number < 100) {
            return self::TENS[intdiv($number, 10)].($number % 10 > 0 ? ' '.self::SMALL[$number % 10] : '');
        }
        if ($number < 1000) {
            return self::SMALL[intdiv($number, 100)].' hundred'.($number % 100 > 0 ? ($and ? ' and ' : ' ').$this->cardinal($number % 100, $and) : '');
        }
        foreach ([1_000_000_000 => 'billion', 1_000_000 => 'million', 1000 => 'thousand'] as $size => $name) {
            if ($number >= $size) {
                $rest = $number % $size;

                return $this->cardinal(intdiv($number, $size), $and).' '.$name.($rest > 0 ? ($and && $rest < 100 ? ' and ' : ' ').$this->cardinal($rest, $and) : '');
            }
        }

        return (string) $number;
    }

    public function ordinal(int $number): string
    {
        $words = explode(' ', $this->cardinal($number));
        $last = array_pop($words);
        $words[] = self::ORDINALS[$last] ?? (str_ends_with($last, 'y') ? substr($last, 0, -1).'ieth' : $last.'th');

        return implode(' ', $words);
    }

    public function year(int $year): string
    {
        $century = intdiv($year, 100);
        $rest = $year % 100;

        return match (true) {
            $year >= 2000 && $year < 2010 => 'two thousand'.($rest > 0 ? ' and '.$this->cardinal($rest) : ''),
            $rest === 0 => $this->cardinal($century).' hundred',
            $rest < 10 => $this->cardinal($century).' oh '.$this->cardinal($rest),
            default => $this->cardinal($century).' '.$this->cardinal($rest),
        };
    }

    /**
     * Digits one by one, with 'double' and 'triple' where the country says so: 'oh seven seven double oh'.
     *
     * @param string $zero the word for zero: 'oh' in telephone numbers, 'zero' in references
     */
    public function digits(string $digits, string $zero = 'oh', bool $doubled = true): string
    {
        $words = [];
        for ($i = 0, $n = strlen($digits); $i < $n;) {
            $run = strspn($digits, $digits[$i], $i);
            $word = $digits[$i] === '0' ? $zero : self::SMALL[(int) $digits[$i]];
            $size = $doubled ? min(3, $run) : 1;
            $words[] = [1 => $word, 2 => 'double '.$word, 3 => 'triple '.$word][$size];
            $i += $size;
        }

        return implode(' ', $words);
    }
}
