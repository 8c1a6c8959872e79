<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Days;

use Ringo\Language\Token;
use Ringo\Understanding\Context;
use Ringo\Understanding\Numerals;

/** Years as they are said and written: 'twenty twenty six', 'nineteen forty', '26'. */
final readonly class Years
{
    public function __construct(private Numerals $numerals)
    {
    }

    /**
     * A year at a place: '2026', 'twenty twenty six', 'nineteen eighty five', 'two thousand and one', and after a month also '85'.
     *
     * @param list<Token> $t
     *
     * @return array{?int, int}
     */
    public function year(array $t, int $j, bool $short, ?Context $context = null): array
    {
        $skip = in_array($t[$j]->text ?? '', ['in', 'of'], true) ? 1 : 0;
        $j += $skip;
        if (! isset($t[$j])) {
            return [null, 0];
        }
        if ($t[$j]->text === 'this' && ($t[$j + 1]->text ?? '') === 'year' && $context !== null) {
            return [(int) $context->now->format('Y'), $skip + 2];
        }
        if (in_array($t[$j]->text, ['next', 'last'], true) && ($t[$j + 1]->text ?? '') === 'year' && $context !== null) {
            // 'Last year but one'
            $but = $t[$j]->text === 'last' && ($t[$j + 2]->text ?? '') === 'but' && ($t[$j + 3]->text ?? '') === 'one' ? 1 : 0;

            return [(int) $context->now->format('Y') + ($t[$j]->text === 'next' ? 1 : -1 - $but), $skip + 2 + 2 * $but];
        }
        [$chunks, , $written] = $this->numerals->chunks($t, $j);
        if ($chunks === []) {
            return [null, 0];
        }
        $first = $this->numerals->cardinal($t, $j);
        $firstLength = $first->length ?? 1;
        $after = $t[$j + $firstLength]->text ?? '';
        if ($chunks[0] >= 1900 && $chunks[0] <= 2100 && ! in_array($after, ['hours', 'hundred'], true)) {
            return [$chunks[0], $skip + $firstLength];
        }
        if (isset($chunks[1]) && in_array($chunks[0], [19, 20], true) && $chunks[1] >= 10 && $chunks[1] <= 99) {
            $second = $this->numerals->cardinal($t, $j + $firstLength);

            return [$chunks[0] * 100 + $chunks[1], $skip + $firstLength + ($second->length ?? 1)];
        }
        // 'The first of June, oh five'
        if (
            $short
            && $skip === 0
            && $context !== null
            && $chunks[0] === 0
            && isset($chunks[1])
            && $chunks[1] >= 1
            && $chunks[1] <= 9
            && ! $t[$j]->isDigits()
            && ! isset($t[$j + 2])
        ) {
            return [$this->fullYear('0'.$chunks[1], $context), 2];
        }
        // 'nineteen oh five', 'twenty oh five'
        if (isset($chunks[2]) && in_array($chunks[0], [19, 20], true) && $chunks[1] === 0 && $chunks[2] < 10) {
            return [$chunks[0] * 100 + $chunks[2], $skip + 3];
        }
        if ($short && $skip === 0 && $context !== null && (strlen($written[0]) === 2 && $t[$j]->isDigits() || $chunks[0] >= 32 && $chunks[0] <= 99) && ! in_array($after, ['am', 'pm', "o'clock", 'oclock', 'minutes', 'people', ':'], true) && (! $t[$j]->isDigits() || count($chunks) === 1)) {
            if ($t[$j]->isDigits() && $chunks[0] < 32 && (isset($t[$j + 1]) || ! str_starts_with($t[$j]->text, '0') && $chunks[0] < 20)) {
                return [null, 0];
            }

            return [$this->fullYear(sprintf('%02d', $chunks[0]), $context), $firstLength];
        }

        return [null, 0];
    }

    public function fullYear(string $digits, Context $context): int
    {
        if (strlen($digits) === 4) {
            return (int) $digits;
        }
        $century = intdiv((int) $context->now->format('Y'), 100) * 100;
        $year = $century + (int) $digits;

        return $year > (int) $context->now->format('Y') + 10 ? $year - 100 : $year;
    }
}
