<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Clocks;

use Ringo\Language\Token;
use Ringo\Understanding\Numerals;

/** Hours and minutes as numbers, and what shows that a number is neither. */
final readonly class Hours
{
    public function __construct(private Numerals $numerals)
    {
    }

    /**
     * @param list<Token> $t
     *
     * @return array{int, int}|null an hour and its tokens
     */
    public function hour(array $t, int $j, int $most = 12): ?array
    {
        $number = isset($t[$j]) ? $this->numerals->cardinal($t, $j) : null;
        if ($number !== null && ($t[$j + $number->length - 1]->text ?? '') === 'hundred') {
            $number = $this->numerals->cardinal([$t[$j]], 0);
        }
        if ($number === null || ! $number->isWhole() || str_contains($t[$j]->text, '.') || $number->value < 1 || $number->value > $most) {
            return null;
        }

        return [$number->whole(), $number->length];
    }

    /**
     * @param list<Token> $t 'thirty', 'oh five', 'forty five', '30'
     *
     * @return array{int, int}|null
     */
    public function minutes(array $t, int $j): ?array
    {
        if (in_array($t[$j]->text, ['oh', 'o', 'zero', 'nought'], true)) {
            $unit = $this->numerals->cardinal($t, $j + 1);
            if ($unit !== null && $unit->value >= 1 && $unit->value < 10) {
                return [$unit->whole(), 2];
            }

            return in_array($t[$j + 1]->text ?? '', ['oh', 'o', 'zero'], true) ? [0, 2] : null;
        }
        $number = $this->numerals->cardinal($t, $j);
        if ($number === null || ! $number->isWhole() || $number->value > 59 || ($number->value < 10 && strlen($number->written) !== 2)) {
            return null;
        }

        return [$number->whole(), $number->length];
    }

    /** @param list<Token> $t whether a unit that is no time follows: 'two thirty foot ladders' */
    public function counts(array $t, int $j): bool
    {
        return in_array($t[$j]->text ?? '', ['pounds', 'pound', 'quid', 'percent', '%', 'people', 'of', 'foot', 'feet', 'metres', 'miles', 'days', 'weeks', 'hours', 'minutes', 'pence', 'dollars', 'euros', 'a', 'an'], true);
    }

    /** @param list<Token> $t */
    public function hoursWord(array $t, int $j): int
    {
        return in_array($t[$j]->text ?? '', ['hours', 'hrs'], true) ? 1 : 0;
    }
}
