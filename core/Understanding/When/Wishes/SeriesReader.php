<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Numerals;

/** 'Every other Thursday, six times': how often it comes again, and how many times. The day and hour of the first are the wish's. */
final readonly class SeriesReader
{
    /** Tokens behind 'every' in which the unit or a weekday is looked for. */
    private const LOOKS_AHEAD = 4;

    private const WEEKS_OF_A_MONTH = 52 / 12;

    private Numerals $numerals;

    public function __construct(private Vocabulary $words)
    {
        $this->numerals = new Numerals($words);
    }

    /**
     * What was said of it; null where nothing was. 'Every Thursday' alone is no series but a day that suits: a number of times, or that
     * it is to come again and again, must be said as well.
     *
     * @return array{unit: ?string, every: ?int, times: ?int, rest: string}|null with the words that are left for the wish
     */
    public function read(string $said): ?array
    {
        $t = Heard::of($said, $this->words)->tokens;
        [$unit, $every, $of] = $this->rhythm($t);
        [$times, $counted] = $this->times($t, $unit, $every);
        $plainWeekday = $unit === Series::WEEKS && $every === 1 && $of !== [] && ! $this->words->phrases('wish_series', 'again_and_again')->in($t);
        if ($times === null && ($unit === null || $plainWeekday)) {
            return null;
        }
        $rest = array_diff_key($t, array_flip([...$of, ...$counted]));

        return ['unit' => $unit, 'every' => $every, 'times' => $times, 'rest' => implode(' ', array_map(static fn (Token $token): string => $token->text, $rest))];
    }

    /**
     * @param list<Token> $t
     *
     * @return array{?string, ?int, list<int>} unit, how many of it, and the places of the words that say so
     */
    private function rhythm(array $t): array
    {
        $hit = $this->words->phrases('wish_series', 'rhythms')->first($t);
        if ($hit !== null && is_array($hit[0])) {
            return [(string) $hit[0][0], (int) $hit[0][1], range($hit[1], $hit[1] + $hit[2] - 1)];
        }
        foreach ($t as $n => $token) {
            if (! in_array($token->text, $this->words->section('wish_series', 'every'), true)) {
                continue;
            }
            $every = 1;
            for ($k = $n + 1; $k <= $n + self::LOOKS_AHEAD && isset($t[$k]); $k++) {
                $unit = $this->unit($t[$k]->text);
                if ($unit !== null) {
                    return [$unit[0], $every * $unit[1], range($n, $k)];
                }
                if (isset($this->words->section('calendar', 'weekdays')[$t[$k]->text])) {
                    return [Series::WEEKS, $every, range($n, $k - 1)];
                }
                $other = $this->words->section('wish_series', 'other')[$t[$k]->text] ?? $this->numerals->cardinal($t, $k)?->whole();
                $every = is_int($other) && $other > 0 ? $other : $every;
            }
        }

        return [null, null, []];
    }

    /**
     * 'Six times', 'ten sessions', 'for two months'.
     *
     * @param list<Token> $t
     *
     * @return array{?int, list<int>}
     */
    private function times(array $t, ?string $unit, ?int $every): array
    {
        foreach ($t as $n => $token) {
            $once = $this->words->section('wish_series', 'adverbs')[$token->text] ?? null;
            if (is_int($once)) {
                return [$once, [$n]];
            }
            $number = $this->numerals->cardinal($t, $n);
            if ($number === null || $number->whole() < 2 && ! in_array($t[$n - 1]->text ?? '', ['for', 'over'], true)) {
                continue;
            }
            $end = $n + $number->length;
            $end += in_array($t[$end]->text ?? '', $this->words->section('wish_series', 'beside'), true) ? 1 : 0;
            if (in_array($t[$end]->text ?? '', $this->words->section('wish_series', 'counts'), true) && $number->whole() > 1) {
                return [$number->whole(), range($n, $end)];
            }
            $length = $this->unit($t[$end]->text ?? '');
            if ($unit !== null && $every !== null && $length !== null && in_array($t[$n - 1]->text ?? '', ['for', 'over'], true)) {
                // A length of time holds so many of them: 'every other week for two months'.
                $weeks = $number->whole() * $length[1] * ($length[0] === Series::MONTHS ? self::WEEKS_OF_A_MONTH : 1);
                $times = (int) round($weeks / ($every * ($unit === Series::MONTHS ? self::WEEKS_OF_A_MONTH : 1)));

                return [$times < 2 ? null : $times, range($n - 1, $end)];
            }
        }

        return [null, []];
    }

    /** @return array{string, int}|null */
    private function unit(string $word): ?array
    {
        $unit = $this->words->section('wish_series', 'units')[$word] ?? null;

        return is_array($unit) ? [(string) $unit[0], (int) $unit[1]] : null;
    }
}
