<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Days;

use Ringo\Language\Token;
use Ringo\Understanding\Context;
use Ringo\Understanding\Numerals;
use Ringo\Understanding\When\Day;

/** Days written or spelled out in figures: '2026-03-10', '10/03/26', 'ten three twenty six'. */
final readonly class WrittenDays
{
    public function __construct(private Numerals $numerals, private Years $years)
    {
    }

    /**
     * @param list<Token> $t '2026-03-10', '10/03/26', '10.3.2026', '10-03-2026'
     *
     * @return array{Day, int}|null
     */
    public function written(array $t, int $i, Context $context): ?array
    {
        $word = $t[$i]->text;
        if (preg_match('/^(\d{4})-(\d\d)-(\d\d)$/', $word, $m) === 1) {
            return [new Day(day: (int) $m[3], month: (int) $m[2], year: (int) $m[1]), 1];
        }
        $length = 1;
        if ($t[$i]->isDigits() && isset($t[$i + 2]) && $t[$i + 1]->gap === '-' && $t[$i + 2]->gap === '-' && $t[$i + 1]->isDigits() && $t[$i + 2]->isDigits() && strlen($word) <= 2 && strlen($t[$i + 1]->text) <= 2) {
            $word = $word.'/'.$t[$i + 1]->text.'/'.$t[$i + 2]->text;
            $length = 3;
        }
        if (preg_match('/^(\d{4})[\/.](\d{1,2})[\/.](\d{1,2})$/', $word, $m) === 1) {
            return [new Day(day: (int) $m[3], month: (int) $m[2], year: (int) $m[1]), $length];
        }
        if (preg_match('/^(\d{1,2})\/(\d{1,2})(?:\/(\d{2}|\d{4}))?$/', $word, $m) === 1 || preg_match('/^(\d{1,2})\.(\d{1,2})\.(\d{2}|\d{4})$/', $word, $m) === 1) {
            [$day, $month] = $context->monthFirst() ? [(int) $m[2], (int) $m[1]] : [(int) $m[1], (int) $m[2]];
            $year = isset($m[3]) ? $this->years->fullYear($m[3], $context) : null;

            return [new Day(day: $day, month: $month, year: $year), $length];
        }

        return null;
    }

    /**
     * Figures said one after another: 'oh four oh seven nineteen seventy two'.
     *
     * @param list<Token> $t
     *
     * @return array{Day, int}|null
     */
    public function figures(array $t, int $i, Context $context): ?array
    {
        $j = $i;
        $parts = [];
        foreach ([31, 12] as $most) {
            $zero = in_array($t[$j]->text ?? '', ['oh', 'o', 'zero', 'nought'], true) ? 1 : 0;
            $number = isset($t[$j + $zero]) ? $this->numerals->cardinal($t, $j + $zero) : null;
            if ($number === null || ! $number->isWhole() || $number->value < 1 || $number->value > ($context->monthFirst() ? 43 - $most : $most) || $j > $i && $t[$j]->afterBreak() && ! str_contains($t[$j]->gap, ',')) {
                return null;
            }
            $parts[] = $number->whole();
            $j += $zero + $number->length;
        }
        [$year, $length] = $this->years->year($t, $j, $context->asked && count($t) - $j <= 2, $context);
        if ($year === null) {
            return null;
        }
        [$day, $month] = $context->monthFirst() ? array_reverse($parts) : $parts;

        return [new Day(day: $day, month: $month, year: $year), $j + $length - $i];
    }
}
