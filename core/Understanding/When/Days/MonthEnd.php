<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Days;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Numerals;
use Ringo\Understanding\Reading;
use Ringo\Understanding\When\Day;

/** 'The end of the month', 'the end of May', where a day was asked for: its last day, to be read back. 'Towards the end of May' leaves it open. */
final readonly class MonthEnd
{
    /** It may be a day or two before. */
    private const SURE = 0.6;

    /** How sure the day is that is named behind it. */
    private const NAMED = 0.8;

    /** So near to the end of a month 'the end of the month' may be that of the next. */
    private const DAYS_TO_GO = 3;

    /** Words looked at before it for one that leaves it open. */
    private const BEFORE = 3;

    private Numerals $numerals;

    public function __construct(private Vocabulary $words)
    {
        $this->numerals = new Numerals($words);
    }

    public function reading(Heard $heard, Context $context): ?Reading
    {
        ['ends' => $ends, 'open' => $open] = $this->words->section('calendar', 'month_end');
        $t = $heard->tokens;
        foreach ($t as $i => $token) {
            $before = array_map(static fn (Token $one): string => $one->text, array_slice($t, max(0, $i - self::BEFORE), min(self::BEFORE, $i)));
            $of = in_array($token->text, $ends, true) && ($t[$i + 1]->text ?? '') === 'of' && array_intersect($before, $open) === [];
            $found = $of ? $this->month(array_slice($t, $i + 2, 2)) : null;
            $date = $found === null ? null : $found[0]->resolve($context->now);
            if ($found === null || $date === null || $found[0]->months === 0 && $context->now->modify('+'.self::DAYS_TO_GO.' days') >= $date) {
                continue;
            }
            $end = $t[$i + 1 + $found[1]]->end;
            $day = $this->dayOfIt($t, $i + 2 + $found[1], $date);
            if ($day !== null) {
                return Reading::of($day[0]->format('Y-m-d'), self::NAMED, $heard->between($token->start, $day[1]->end), $token->start, $day[1]->end);
            }

            return Reading::of($date->format('Y-m-d'), self::SURE, $heard->between($token->start, $end), $token->start, $end);
        }

        return null;
    }

    /**
     * 'The end of February, the twenty fourth': the day of that month that is named behind it.
     *
     * @param list<Token> $t
     *
     * @return array{\DateTimeImmutable, Token}|null
     */
    private function dayOfIt(array $t, int $from, \DateTimeImmutable $end): ?array
    {
        for ($i = $from; isset($t[$i]); $i++) {
            $ordinal = $this->numerals->ordinal($t, $i);
            if ($ordinal !== null && $ordinal->whole() >= 1 && $ordinal->whole() <= (int) $end->format('j')) {
                return [$end->setDate((int) $end->format('Y'), (int) $end->format('n'), $ordinal->whole()), $t[$i + $ordinal->length - 1]];
            }
        }

        return null;
    }

    /**
     * @param list<Token> $t what stands behind 'the end of'
     *
     * @return array{Day, int}|null the last day of that month, and how many words name it
     */
    private function month(array $t): ?array
    {
        $month = $this->words->section('calendar', 'months')[$t[0]->text ?? ''] ?? null;
        $ahead = ($t[1]->text ?? '') === 'month' ? ['the' => 0, 'this' => 0, 'next' => 1][$t[0]->text] ?? null : null;

        return match (true) {
            is_int($month) => [new Day(month: $month, lastDay: true), 1],
            $ahead !== null => [new Day(months: $ahead, lastDay: true), 2],
            default => null,
        };
    }
}
