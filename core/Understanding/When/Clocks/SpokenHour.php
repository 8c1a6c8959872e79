<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Clocks;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Numerals;
use Ringo\Understanding\When\Clock;

/** An hour that is said, with its minutes or alone: 'two thirty', 'three o'clock', 'at three'. */
final readonly class SpokenHour
{
    public function __construct(private Vocabulary $words, private Numerals $numerals, private Hours $hours)
    {
    }

    /**
     * @param list<Token> $t 'two thirty', 'fourteen hundred', 'nine oh five', 'three o'clock', 'three pm', 'at three'
     *
     * @return array{Clock, int}|null
     */
    public function at(array $t, int $i, bool $bare): ?array
    {
        $word = $t[$i]->text;
        $zero = in_array($word, ['oh', 'o', 'zero'], true);
        $hour = $zero ? $this->hours->hour($t, $i + 1) : $this->hours->hour($t, $i, 24);
        if ($hour === null) {
            return null;
        }
        $start = $i + ($zero ? 1 : 0);
        $j = $start + $hour[1];
        if (($t[$j]->text ?? '') === 'hundred') {
            return [new Clock($hour[0], 0, fixed: true), $j + 1 + $this->hours->hoursWord($t, $j + 1) - $i];
        }
        if (in_array($t[$j]->text ?? '', $this->words->section('calendar', 'oclock'), true)) {
            $thirty = $this->numerals->cardinal($t, $j + 1);
            $minute = $thirty !== null && $thirty->value === 30.0 ? 30 : 0;

            return [new Clock($hour[0], $minute, fixed: $hour[0] > 12), $j + 1 + ($minute === 30 ? 1 : 0) - $i];
        }
        if (isset($t[$j]) && ! $t[$j]->afterBreak()) {
            $minute = $this->hours->minutes($t, $j);
            if ($minute !== null && ! $this->hours->counts($t, $j + $minute[1])) {
                return [new Clock($hour[0], $minute[0], fixed: $zero || $hour[0] > 12), $j + $minute[1] + $this->hours->hoursWord($t, $j + $minute[1]) - $i];
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
        $minute = $hour[0] > 12 && isset($t[$j]) ? $this->hours->minutes($t, $j) : null;
        if ($minute !== null && $this->hours->hoursWord($t, $j + $minute[1]) === 1) {
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
}
