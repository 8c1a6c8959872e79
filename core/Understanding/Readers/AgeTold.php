<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Numerals;
use Ringo\Understanding\Reading;

/**
 * An age told by a birthday or a birth, where it was asked how old somebody is: 'he'll be nine in March' is eight until then, 'ten, eleven
 * in June' is ten, 'born in 2019' and 'we had it put in in 2019' count from that year. In whole years.
 */
final readonly class AgeTold
{
    /** A birthday to come is told plainly; a year of birth leaves open whether this year's has been: it is read back. */
    private const BY_BIRTHDAY = 0.8;

    private const BY_YEAR = 0.6;

    /** The oldest somebody is. */
    private const OLDEST = 120;

    private Numerals $numerals;

    public function __construct(private Vocabulary $words)
    {
        $this->numerals = new Numerals($words);
    }

    public function in(Heard $heard, Context $context): ?Reading
    {
        if (! $context->asked || $context->unit !== 'Y') {
            return null;
        }

        return $this->born($heard, $context) ?? $this->birthday($heard);
    }

    private function born(Heard $heard, Context $context): ?Reading
    {
        $t = $heard->tokens;
        if (array_intersect(array_map(static fn (Token $token): string => $token->text, $t), $this->words->section('calendar', 'born')) === []) {
            return null;
        }
        $now = (int) $context->now->format('Y');
        for ($i = 0, $n = count($t); $i < $n; $i++) {
            [$chunks, $length] = $this->numerals->chunks($t, $i);
            $year = match (true) {
                count($chunks) === 1 && $chunks[0] > 1000 => $chunks[0],
                count($chunks) === 2 && in_array($chunks[0], [19, 20], true) && $chunks[1] >= 10 => 100 * $chunks[0] + $chunks[1],
                default => null,
            };
            if ($year !== null && $year <= $now && $now - $year <= self::OLDEST) {
                return $this->years($now - $year, self::BY_YEAR, $heard, $i, $i + $length - 1);
            }
        }

        return null;
    }

    private function birthday(Heard $heard): ?Reading
    {
        $t = $heard->tokens;
        $before = null;
        for ($i = 0, $n = count($t); $i < $n; $i++) {
            $number = $this->numerals->cardinal($t, $i);
            if ($number === null || ! $number->isWhole() || $number->whole() < 1 || $number->whole() > self::OLDEST) {
                continue;
            }
            $next = $i + $number->length;
            if (! isset($t[$next])) {
                return null;
            }
            if ($this->comes($t, $next)) {
                // 'Ten, eleven in June', and 'he was nine in March'
                $age = $number->whole() - ($this->wasBefore($t, $i) ? 0 : 1);

                return $before === null || $before === $age ? $this->years($age, self::BY_BIRTHDAY, $heard, $i, $next - 1) : null;
            }
            $before = $number->whole();
            $i = $next - 1;
        }

        return null;
    }

    /**
     * Whether a time to come stands here: 'in March', 'next week', 'on Friday', 'tomorrow'.
     *
     * @param list<Token> $t
     */
    private function comes(array $t, int $i): bool
    {
        $months = $this->words->section('calendar', 'months');
        $weekdays = $this->words->section('calendar', 'weekdays');
        $counted = $this->words->section('calendar', 'counted');
        $one = $t[$i]->text;
        $two = $t[$i + 1]->text ?? '';

        return match ($one) {
            'tomorrow', 'soon' => true,
            'in' => isset($months[$two]) || in_array($two, ['a', 'the'], true) || isset($t[$i + 1]) && $this->numerals->cardinal($t, $i + 1) !== null && isset($counted[$t[$i + 2]->text ?? '']),
            'next', 'this' => isset($months[$two]) || isset($weekdays[$two]) || isset($counted[$two]),
            'on' => isset($weekdays[$two]) || $two === 'the' || isset($t[$i + 1]) && $this->numerals->ordinal($t, $i + 1) !== null,
            'at' => in_array($two, ['christmas', 'easter', 'new', 'the'], true),
            default => false,
        };
    }

    /**
     * 'He was nine in March' is nine.
     *
     * @param list<Token> $t
     */
    private function wasBefore(array $t, int $i): bool
    {
        $words = array_map(static fn (Token $token): string => $token->text, array_slice($t, max(0, $i - 2), min(2, $i)));

        return array_intersect($words, $this->words->section('calendar', 'turned_already')) !== [];
    }

    private function years(int $years, float $sure, Heard $heard, int $from, int $to): Reading
    {
        [$start, $end] = [$heard->tokens[$from]->start, $heard->tokens[$to]->end];

        return Reading::of($years, $sure, $heard->between($start, $end), $start, $end);
    }
}
