<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Clocks;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Numerals;
use Ringo\Understanding\When\Clock;

/** A time told by the hour it is near: 'half past two', 'ten to four'. */
final readonly class PastOrTo
{
    public function __construct(private Vocabulary $words, private Numerals $numerals, private Hours $hours)
    {
    }

    /**
     * @param list<Token> $t 'half past two', 'half two', 'ten to four', 'quarter of four'
     *
     * @return array{Clock, int}|null
     */
    public function at(array $t, int $i): ?array
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
            $hour = $this->hours->hour($t, $j);

            return $hour !== null && ! $this->hours->counts($t, $j + $hour[1]) ? [new Clock($hour[0], 30), $j + $hour[1] - $i] : null;
        }
        if ($sign === 0 || ($word === 'half' && $sign === -1 && $side !== 'to')) {
            return null;
        }
        $hour = $this->hours->hour($t, $j + 1);
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
}
