<?php

declare(strict_types=1);

namespace Ringo\Understanding\When;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Numerals;

/** Finds the times of day named in a token list. */
final readonly class ClockFinder
{
    public function __construct(private Vocabulary $words, private Numerals $numerals)
    {
    }

    /**
     * @param list<Token> $t
     * @param list<Span> $days spans already taken as days
     * @param bool $bare whether a number on its own may be an hour
     *
     * @return list<Span>
     */
    public function find(array $t, Context $context, array $days = [], bool $bare = true): array
    {
        $taken = [];
        foreach ($days as $span) {
            for ($i = $span->from; $i < $span->end(); $i++) {
                $taken[$i] = true;
            }
        }
        $halves = $this->words->phrases('calendar', 'day_parts');
        $found = [];
        for ($i = 0, $n = count($t); $i < $n;) {
            if (isset($taken[$i])) {
                $i++;

                continue;
            }
            $hit = $this->elapsed($t, $i, $context) ?? $this->at($t, $i, $context, $bare);
            if ($hit !== null) {
                $length = $hit[1];
                $what = $hit[0];
                $j = $i + $length;
                if ($what instanceof Clock && ! $what->fixed) {
                    foreach ([0, 1] as $skip) {
                        if ($skip === 1 && ! in_array($t[$j]->text ?? '', ['on', 'that', 'is', 'tomorrow'], true)) {
                            break;
                        }
                        $half = $halves->at($t, $j + $skip);
                        if ($half !== null && $half[0] !== null && ! isset($taken[$j + $skip]) && ! ($skip === 1 && $t[$j]->text === 'on')) {
                            $what = $what->with($half[0]);
                            $length += $half[1] + $skip;

                            break;
                        }
                    }
                }
                $found[] = new Span($what, $i, $length);
                $i += $length;

                continue;
            }
            $i++;
        }

        return $this->halved($found, $t, $halves, $taken);
    }

    /**
     * A part of the day said anywhere near decides an open hour: 'tomorrow morning, say eight'.
     *
     * @param list<Span> $found
     * @param list<Token> $t
     * @param \Ringo\Language\Phrases<mixed> $halves
     * @param array<int, true> $taken
     *
     * @return list<Span>
     */
    private function halved(array $found, array $t, \Ringo\Language\Phrases $halves, array $taken): array
    {
        $half = null;
        $where = 0;
        $length = 0;
        foreach ($halves->all($t) as [$meaning, $place, $size]) {
            if ($meaning !== null && ! in_array($t[$place]->text, ['am', 'pm'], true)) {
                [$half, $where, $length] = [$meaning, $place, $size];
            }
        }
        if ($half === null) {
            return $found;
        }
        $out = [];
        foreach ($found as $span) {
            $what = $span->what;
            $out[] = $what instanceof Clock && $what->half === null && ! $what->fixed && ! $this->parted($t, $where + $length, $span->from) ? new Span($what->with($half), $span->from, $span->length) : $span;
        }

        return $out === [] && ! isset($taken[$where]) ? [new Span(new Clock(half: $half), $where, $length)] : $out;
    }

    /**
     * 'Thursday morning or Friday after two': what stands behind such a word is another time.
     *
     * @param list<Token> $t
     */
    private function parted(array $t, int $from, int $to): bool
    {
        $parting = $this->words->section('calendar', 'parting');

        return array_filter(array_slice($t, $from, max(0, $to - $from)), static fn (Token $token): bool => in_array($token->text, $parting, true)) !== [];
    }

    /**
     * @param list<Token> $t 'in two hours', 'an hour from now', 'in half an hour'
     *
     * @return array{\DateTimeImmutable, int}|null
     */
    private function elapsed(array $t, int $i, Context $context): ?array
    {
        $in = in_array($t[$i]->text, ['in', 'within'], true);
        $j = $i + ($in ? 1 : 0);
        $minutes = 0.0;
        $units = $this->words->section('calendar', 'clock_units');
        $said = false;
        for ($round = 0; $round < 2; $round++) {
            $amount = $this->amount($t, $j, $units);
            if ($amount === null) {
                break;
            }
            $minutes += $amount[0];
            $j += $amount[1];
            $said = true;
            // 'an hour and a half'
            if (($t[$j]->text ?? '') === 'and' && in_array($t[$j + 1]->text ?? '', ['half', 'a'], true) && in_array('half', [$t[$j + 1]->text ?? '', $t[$j + 2]->text ?? ''], true)) {
                $minutes += 30;
                $j += $t[$j + 1]->text === 'half' ? 2 : 3;

                break;
            }
            if (($t[$j]->text ?? '') === 'and' && $this->amount($t, $j + 1, $units) !== null) {
                $j++;
            }
        }
        if (! $said) {
            return null;
        }
        $next = $t[$j]->text ?? '';
        if ($next === 'time' || $next === 'times') {
            $j++;
        } elseif ($next === 'from' && ($t[$j + 1]->text ?? '') === 'now') {
            $j += 2;
        } elseif ($next === 'ago') {
            $minutes = -$minutes;
            $j++;
        } elseif (! $in) {
            return null;
        }
        // Elapsed time is counted on the absolute clock, so that a clock change in between does not shift it.
        $zone = $context->now->getTimezone();
        $moment = $context->now->setTimezone(new \DateTimeZone('UTC'))->modify(sprintf('%+d minutes', (int) round($minutes)))->setTimezone($zone);

        return [$moment, $j - $i];
    }

    /**
     * @param list<Token> $t
     * @param array<string, int> $units
     *
     * @return array{float, int}|null minutes and tokens
     */
    private function amount(array $t, int $j, array $units): ?array
    {
        $word = $t[$j]->text ?? '';
        if (in_array($word, ['half', 'quarter'], true) || $word === 'a' && ($t[$j + 1]->text ?? '') === 'quarter') {
            $k = $j + ($word === 'a' ? 2 : 1);
            $k += in_array($t[$k]->text ?? '', ['of'], true) ? 1 : 0;
            $k += in_array($t[$k]->text ?? '', ['an', 'a'], true) ? 1 : 0;
            if (in_array($t[$k]->text ?? '', ['hour', 'hours'], true)) {
                return [$word === 'half' ? 30.0 : 15.0, $k + 1 - $j];
            }

            return null;
        }
        if (in_array($word, ['a', 'an'], true) && isset($units[$t[$j + 1]->text ?? ''])) {
            return [(float) $units[$t[$j + 1]->text], 2];
        }
        $number = isset($t[$j]) ? $this->numerals->at($t, $j) : null;
        if ($number === null) {
            return null;
        }
        $k = $j + $number->length;
        if (($t[$k]->text ?? '') === 'of' && ($number->value < 1 || $t[$k - 1]->text === 'couple')) {
            $k += in_array($t[$k + 1]->text ?? '', ['an', 'a'], true) ? 2 : 1;
        }

        return isset($units[$t[$k]->text ?? '']) ? [$number->value * $units[$t[$k]->text], $k + 1 - $j] : null;
    }

    /**
     * @param list<Token> $t
     *
     * @return array{Clock, int}|null
     */
    private function at(array $t, int $i, Context $context, bool $bare): ?array
    {
        $word = $this->words->phrases('calendar', 'clock_words')->at($t, $i);
        if ($word !== null) {
            [$hour, $minute] = array_map(intval(...), explode(':', $word[0]));

            return [new Clock($hour, $minute, fixed: true), $word[1]];
        }

        // 'One evening next week' is no one o'clock.
        if ($t[$i]->text === 'one' && in_array($t[$i + 1]->text ?? '', ['morning', 'afternoon', 'evening', 'night', 'lunchtime', 'day', 'weekend'], true) && ! in_array($t[$i - 1]->text ?? '', ['at', 'about', 'around'], true)) {
            return null;
        }

        return $this->past($t, $i, $context) ?? $this->digital($t, $i) ?? $this->spoken($t, $i, $bare);
    }

    /**
     * @param list<Token> $t 'half past two', 'half two', 'ten to four', 'quarter of four'
     *
     * @return array{Clock, int}|null
     */
    private function past(array $t, int $i, Context $context): ?array
    {
        $j = $i + ('a' === $t[$i]->text && ($t[$i + 1]->text ?? '') === 'quarter' ? 1 : 0);
        $word = $t[$j]->text;
        $minutes = null;
        if ($word === 'half') {
            $minutes = 30;
            $j++;
        } elseif ($word === 'quarter') {
            $minutes = 15;
            $j++;
        } elseif (($number = $this->numerals->cardinal($t, $j)) !== null && $number->isWhole() && $number->value >= 1 && $number->value <= 29) {
            $minutes = $number->whole();
            $j += $number->length;
            if (in_array($t[$j]->text ?? '', ['minutes', 'minute', 'mins'], true)) {
                $j++;
            } elseif ($minutes === 1) {
                // 'The first one after ten' tells no minute.
                return null;
            }
        }
        if ($minutes === null) {
            return null;
        }
        $side = $t[$j]->text ?? '';
        $sign = match ($side) {
            'past', 'after', 'gone' => 1,
            'to', 'before', 'till', 'til', 'of', 'off' => -1,
            default => 0,
        };
        if ($word === 'half' && $sign === 0 && ! in_array($side, ['a', 'an', 'the', 'hour', 'day'], true)) {
            $hour = $this->hour($t, $j);

            return $hour !== null && ! $this->counts($t, $j + $hour[1]) ? [new Clock($hour[0], 30), $j + $hour[1] - $i] : null;
        }
        if ($sign === 0 || ($word === 'half' && $sign === -1 && $side !== 'to')) {
            return null;
        }
        $hour = $this->hour($t, $j + 1);
        if ($hour === null) {
            $noon = $this->words->phrases('calendar', 'clock_words')->at($t, $j + 1);
            if ($noon !== null && in_array($noon[0], ['12:00', '00:00'], true)) {
                return [new Clock($noon[0] === '12:00' ? 12 : 0, 0, null, $sign * $minutes, true), $j + 1 + $noon[1] - $i];
            }

            // 'quarter past' corrects the minutes of a time already said.
            return in_array($word, ['half', 'quarter'], true) && ! isset($t[$j + 1]) ? [new Clock(null, 0, null, $sign * $minutes), $j + 1 - $i] : null;
        }
        // A plain number before 'to' may be a range: 'two to four'. 'Ten to four' and 'twenty to' are times, 'five to' as well.
        if ($sign === -1 && ! in_array($word, ['half', 'quarter'], true) && ! in_array($minutes, [5, 10, 20, 25], true) && $t[$j - 1]->text !== 'minutes') {
            return null;
        }
        if ($side === 'of' && $minutes > 25) {
            return null;
        }
        $length = $hour[1];
        if (in_array($t[$j + 1 + $length]->text ?? '', $this->words->section('calendar', 'oclock'), true)) {
            $length++;
        }

        return [new Clock($hour[0], 0, null, $sign * $minutes), $j + 1 + $length - $i];
    }

    /**
     * @param list<Token> $t '14:30', '2.30', '1430 hours', '0930'
     *
     * @return array{Clock, int}|null
     */
    private function digital(array $t, int $i): ?array
    {
        $word = $t[$i]->text;
        if (preg_match('/^(\d{1,2})[:.](\d{2})$/', $word, $m) === 1 && (int) $m[1] <= 24 && (int) $m[2] < 60) {
            if (in_array($t[$i - 1]->text ?? '', ['£', '$', '€'], true) || in_array($t[$i + 1]->text ?? '', ['pounds', 'pound', 'dollars', 'percent', '%', 'euros'], true)) {
                return null;
            }

            return [new Clock((int) $m[1], (int) $m[2], fixed: (int) $m[1] > 12 || strlen($m[1]) === 2 && $m[1][0] === '0'), 1 + $this->hoursWord($t, $i + 1)];
        }
        if (preg_match('/^([01]\d|2[0-3])([0-5]\d)$/', $word, $m) === 1) {
            $hours = $this->hoursWord($t, $i + 1);
            $asked = count($t) === 1 || in_array($t[$i - 1]->text ?? '', ['at', 'by', 'around', 'about', 'from', 'for'], true);
            if ($hours === 1 || $asked) {
                return [new Clock((int) $m[1], (int) $m[2], fixed: true), 1 + $hours];
            }
        }
        if (preg_match('/^([1-9])([0-5]\d)$/', $word, $m) === 1 && in_array($t[$i + 1]->text ?? '', ['am', 'pm'], true)) {
            return [new Clock((int) $m[1], (int) $m[2]), 1];
        }

        return null;
    }

    /**
     * @param list<Token> $t 'two thirty', 'fourteen hundred', 'nine oh five', 'three o'clock', 'three pm', 'at three'
     *
     * @return array{Clock, int}|null
     */
    private function spoken(array $t, int $i, bool $bare): ?array
    {
        $word = $t[$i]->text;
        $zero = in_array($word, ['oh', 'o', 'zero'], true);
        $hour = $zero ? $this->hour($t, $i + 1) : $this->hour($t, $i, 24);
        if ($hour === null) {
            return null;
        }
        $start = $i + ($zero ? 1 : 0);
        $j = $start + $hour[1];
        if (($t[$j]->text ?? '') === 'hundred') {
            return [new Clock($hour[0], 0, fixed: true), $j + 1 + $this->hoursWord($t, $j + 1) - $i];
        }
        if (in_array($t[$j]->text ?? '', $this->words->section('calendar', 'oclock'), true)) {
            $thirty = $this->numerals->cardinal($t, $j + 1);
            $minute = $thirty !== null && $thirty->value === 30.0 ? 30 : 0;

            return [new Clock($hour[0], $minute, fixed: $hour[0] > 12), $j + 1 + ($minute === 30 ? 1 : 0) - $i];
        }
        if (isset($t[$j]) && ! $t[$j]->afterBreak()) {
            $minute = $this->minutes($t, $j);
            if ($minute !== null && ! $this->counts($t, $j + $minute[1])) {
                return [new Clock($hour[0], $minute[0], fixed: $zero || $hour[0] > 12), $j + $minute[1] + $this->hoursWord($t, $j + $minute[1]) - $i];
            }
        }
        if ($zero) {
            return null;
        }
        if (in_array($t[$j]->text ?? '', ['am', 'pm', 'ish'], true) || $this->words->phrases('calendar', 'day_parts')->at($t, $j) !== null) {
            return [new Clock($hour[0], 0, fixed: $hour[0] > 12), $j + (($t[$j]->text ?? '') === 'ish' ? 1 : 0) - $i];
        }
        $before = $t[$i - 1]->text ?? '';
        $led = in_array($before, ['at', 'by', 'around', 'about', 'for', 'say', 'roughly', 'approximately', 'maybe', 'perhaps', 'probably', 'till', 'until', 'from', 'after', 'before', 'past', 'gone', 'like', 'then', 'or', 'to', 'and', 'between', 'think', "let's", 'not', 'exactly'], true);
        $here = ! isset($t[$j]) || $t[$j]->afterBreak() || in_array($t[$j]->text, ['please', 'on', 'tomorrow', 'today', 'would', 'if', 'is', 'or', 'and', 'to', 'this', 'next', 'works', 'should', 'will', 'sharp', 'exactly', 'thanks', 'thank', 'ideally', 'then', 'maybe', 'for', 'at', 'ish', 'suits', 'sounds', 'that', 'dead', 'prompt', 'onwards', 'the', 'when'], true)
            || isset($this->words->section('calendar', 'weekdays')[$t[$j]->text]);
        $opens = $i === 0 || ($t[$i] ?? null)?->afterBreak() === true || in_array($before, ['tomorrow', 'today', 'yeah', 'yes', "it's", "that's", 'well', 'ok', 'okay', 'so', 'just'], true) || isset($this->words->section('calendar', 'weekdays')[$before]);
        $minute = $hour[0] > 12 && isset($t[$j]) ? $this->minutes($t, $j) : null;
        if ($minute !== null && $this->hoursWord($t, $j + $minute[1]) === 1) {
            return [new Clock($hour[0], $minute[0], fixed: true), $j + $minute[1] + 1 - $i];
        }
        if ($bare && $hour[0] <= 24 && $hour[0] >= 1 && $here && ($led || $opens) || $led && $before === 'at' && $here) {
            if ($hour[0] > 12 && ! $led && $t[$i]->isDigits() === false && ! $bare) {
                return null;
            }

            return [new Clock($hour[0], 0, fixed: $hour[0] > 12), $j - $i + (in_array($t[$j]->text ?? '', ['sharp', 'prompt', 'ish'], true) ? 1 : 0)];
        }

        return null;
    }

    /**
     * @param list<Token> $t
     *
     * @return array{int, int}|null an hour and its tokens
     */
    private function hour(array $t, int $j, int $most = 12): ?array
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
    private function minutes(array $t, int $j): ?array
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
    private function counts(array $t, int $j): bool
    {
        return in_array($t[$j]->text ?? '', ['pounds', 'pound', 'quid', 'percent', '%', 'people', 'of', 'foot', 'feet', 'metres', 'miles', 'days', 'weeks', 'hours', 'minutes', 'pence', 'dollars', 'euros', 'a', 'an'], true);
    }

    /** @param list<Token> $t */
    private function hoursWord(array $t, int $j): int
    {
        return in_array($t[$j]->text ?? '', ['hours', 'hrs'], true) ? 1 : 0;
    }
}
