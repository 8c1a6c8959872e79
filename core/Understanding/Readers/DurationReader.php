<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Numerals;
use Ringo\Understanding\Reader;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Repairs;

/**
 * Reads a length of time as ISO 8601: 'a fortnight' P2W, 'an hour and a half' PT1H30M, 'a week and three days' P10D.
 *
 * Units are kept as said; weeks stand alone in ISO 8601-1, so weeks with days become days.
 */
final readonly class DurationReader implements Reader
{
    private Numerals $numerals;

    private Repairs $repairs;

    /** @var array<string, string> */
    private array $units;

    private AgeTold $ages;

    /** Words among which a number alone is a length in the unit asked for; of an age more is said: 'she has only just turned two'. */
    private const BARE_WITHIN = 4;

    /** Words before a number that is an hour. */
    private const OF_AN_HOUR = ['after', 'before', 'by', 'till', 'until', 'from', 'at', 'past', 'around'];

    private const BARE_AGE_WITHIN = 8;

    /** Words before a length by which it is none: 'within the next fortnight', 'in two weeks'. */
    private const OF_A_WINDOW = ['in', 'within', 'next', 'last', 'past', 'coming', 'every', 'other'];

    /** Words behind 'the day' by which a day is told and no length. */
    private const OF_A_DAY_TOLD = ['would', 'will', 'should', 'of', 'that', 'to', 'after', 'before', 'when', 'we', 'i', 'he', 'she', 'they', 'it', 'my', 'our', 'you'];

    /** From here on a number alone is a year and no length. */
    private const A_YEAR_FROM = 1000;

    public function __construct(private Vocabulary $words)
    {
        $this->numerals = new Numerals($words);
        $this->repairs = new Repairs($words);
        $this->units = $words->section('units', 'durations');
        $this->ages = new AgeTold($words);
    }

    public function read(Heard $heard, Context $context): Reading
    {
        $age = $this->ages->in($heard, $context);
        if ($age !== null) {
            return Reading::of("P{$age->value}Y", $age->confidence, (string) $age->said, $age->start, $age->end);
        }
        $best = null;
        $doubt = null;
        $unit = $context->asked ? $context->unit : null;
        foreach ($this->repairs->stretches($heard->tokens, true) as $stretch) {
            if ($stretch['restart']) {
                $best = $doubt = $unit = null;
            }
            $t = $this->repairs->withoutDenied($stretch['tokens']);
            $vague = $this->vague($t);
            $t = $this->words->phrases('talk', 'about')->without($t);
            // 'Three quarters of an hour on a good day'
            $long = $this->words->phrases('units', 'idle_days')->without($t);
            $t = $long === [] ? $t : $long;
            $found = $this->durations($t, $unit, $context->asked);
            // 'Three or four', where years were asked for
            $vague ??= $found === [] && $unit !== null && $this->numbersBefore($t, count($t)) > 1 ? 'that is a range or a choice of lengths' : null;
            if ($found === [] && $vague === null) {
                continue;
            }
            if ($vague !== null || count(array_unique(array_column($found, 0))) > 1) {
                $doubt = $vague ?? 'more than one length of time was named';
                $best = null;

                continue;
            }
            $doubt = null;
            [$value, $from, $to, $unit] = $found[0];
            $best = Reading::of($value, $context->asked ? 0.62 + 0.36 * $heard->explained($t[$from]->start, $t[$to]->end, $this->words) : 0.85, $heard->between($t[$from]->start, $t[$to]->end), $t[$from]->start, $t[$to]->end);
        }

        return $best ?? Reading::none($doubt);
    }

    /**
     * Whether a number alone tells a length: nothing of it stands behind ('two at a time, if you can'), and it is no hour ('after four').
     *
     * @param list<Token> $t
     */
    private function isAll(array $t, int $i, int $length, string $unit): bool
    {
        $behind = array_slice($t, $i + $length);
        $hour = in_array($unit, ['TH', 'TM'], true) && in_array($t[$i - 1]->text ?? '', self::OF_AN_HOUR, true);

        return ! $hour && ($behind === [] || $this->words->phrases('units', 'behind_a_length')->without($behind) === []);
    }

    /**
     * @param list<Token> $t
     *
     * @return list<array{string, int, int, string}> value, first and last token, unit
     */
    private function durations(array $t, ?string $earlierUnit, bool $asked): array
    {
        $found = [];
        for ($i = 0, $n = count($t); $i < $n;) {
            $hit = $this->sum($t, $i);
            if ($hit === null) {
                $i++;

                continue;
            }
            // 'in two weeks' and 'three days ago' are days, not lengths.
            $window = ! $asked && in_array($t[$i - 1]->text ?? '', self::OF_A_WINDOW, true);
            // 'The day after my birthday', 'the week we moved'
            $window = $window || $t[$i]->text === 'the' && in_array($t[$i + $hit[1]]->text ?? '', self::OF_A_DAY_TOLD, true);
            if ($window || in_array($t[$i + $hit[1]]->text ?? '', ['ago', 'hence'], true)) {
                $i += $hit[1];

                continue;
            }
            $found[] = [$hit[0], $i, $i + $hit[1] - 1, $hit[2]];
            $i += $hit[1];
        }
        // 'two weeks, no, three': the unit stays.
        if ($found === [] && $earlierUnit !== null && $t !== [] && count($this->words->phrases('units', 'behind_a_length')->without($t)) <= ($earlierUnit === 'Y' ? self::BARE_AGE_WITHIN : self::BARE_WITHIN)) {
            foreach (array_keys($t) as $i) {
                $number = $this->numerals->at($t, $i);
                // 'I got him in 2020' is no length.
                if ($number !== null && $number->value > 0 && $number->value < self::A_YEAR_FROM && $this->isAll($t, $i, $number->length, $earlierUnit) && $this->numbersBefore($t, $i) === 0) {
                    return [[$this->iso([[$number->value, $earlierUnit]]), $i, $i + $number->length - 1, $earlierUnit]];
                }
            }
        }

        return $found;
    }

    /** @param list<Token> $t how many numbers stand before a place: with more than one it is not said which is meant */
    private function numbersBefore(array $t, int $place): int
    {
        return count(array_filter(array_keys($t), fn (int $i): bool => $i < $place && $this->numerals->at($t, $i) !== null));
    }

    /**
     * @param list<Token> $t
     *
     * @return array{string, int, string}|null ISO value, tokens, last unit
     */
    private function sum(array $t, int $i): ?array
    {
        $start = $i;
        $parts = [];
        while (($part = $this->part($t, $i)) !== null) {
            $parts[] = [$part[0], $part[1]];
            $i += $part[2];
            $unit = $part[1];
            // 'an hour and a half', 'two weeks and a half'
            if (($t[$i]->text ?? '') === 'and' && $this->half($t, $i + 1) > 0 && ! isset($this->units[$t[$i + 1 + $this->half($t, $i + 1)]->text ?? ''])) {
                $quarter = in_array('quarter', [$t[$i + 1]->text, $t[$i + 2]->text ?? ''], true);
                [$amount, $of] = array_pop($parts);
                $parts[] = [$amount + ($quarter ? 0.25 : 0.5), $of];
                $i += 1 + $this->half($t, $i + 1);

                break;
            }
            $and = in_array($t[$i]->text ?? '', ['and', 'plus'], true) ? 1 : 0;
            // 'A week, and the day would be the tenth' is no day more.
            $more = isset($t[$i + $and]) && $t[$i + $and]->text !== 'the' && ! ($and === 0 && $t[$i]->afterBreak() && ! str_contains($t[$i]->gap, ',')) ? $this->part($t, $i + $and) : null;
            if ($more !== null && $this->rank($more[1]) < $this->rank($unit)) {
                $i += $and;

                continue;
            }
            // 'an hour thirty', '2 hours 15'
            $number = isset($t[$i + $and]) && $unit === 'TH' ? $this->numerals->cardinal($t, $i + $and) : null;
            if ($number !== null && $number->value < 60 && ! isset($t[$i + $and + $number->length])) {
                $parts[] = [$number->value, 'TM'];
                $i += $and + $number->length;
            }

            break;
        }
        if ($parts === []) {
            return null;
        }

        return [$this->iso($parts), $i - $start, $parts[count($parts) - 1][1]];
    }

    /**
     * @param list<Token> $t
     *
     * @return array{float, string, int}|null amount, unit, tokens
     */
    private function part(array $t, int $i): ?array
    {
        $j = $i;
        if (! isset($t[$j])) {
            return null;
        }
        $word = $t[$j]->text;
        // '1h 30m'
        if ($t[$j]->isDigits() && isset($t[$j + 1]) && $t[$j + 1]->glued() && isset(['h' => 1, 'm' => 1, 'd' => 1, 'w' => 1][$t[$j + 1]->text])) {
            return [(float) $word, ['h' => 'TH', 'm' => 'TM', 'd' => 'D', 'w' => 'W'][$t[$j + 1]->text], 2];
        }
        // 'half an hour', 'three quarters of an hour', 'a quarter of an hour'
        $fraction = $this->numerals->at($t, $j);
        if ($fraction !== null && $fraction->value > 0 && $fraction->value < 1) {
            $k = $j + $fraction->length;
            $k += ($t[$k]->text ?? '') === 'of' ? 1 : 0;
            $k += in_array($t[$k]->text ?? '', ['an', 'a'], true) ? 1 : 0;
            $unit = $this->units[$t[$k]->text ?? ''] ?? null;

            return $unit === null ? null : [$fraction->value, $unit, $k + 1 - $j];
        }
        if (in_array($word, ['quarter'], true) && ($t[$j + 1]->text ?? '') === 'of' && isset($this->units[$t[$j + 3]->text ?? ''])) {
            return [0.25, $this->units[$t[$j + 3]->text], 4];
        }
        $amount = null;
        if (in_array($word, ['a', 'an', 'one', 'another', 'the', 'per'], true) && in_array($t[$j + 1]->text ?? '', ['full', 'whole', 'solid', 'good', 'single', 'working'], true) && isset($this->units[$t[$j + 2]->text ?? ''])) {
            return [1.0, $this->units[$t[$j + 2]->text], 3];
        }
        if (in_array($word, ['a', 'an', 'another', 'the', 'one'], true) && isset($this->units[$t[$j + 1]->text ?? ''])) {
            if (in_array($word, ['the'], true) && ! in_array($this->units[$t[$j + 1]->text], ['D', 'W', 'F'], true)) {
                return null;
            }
            $amount = 1.0;
            $j++;
        } elseif ($word === 'fortnight') {
            $amount = 1.0;
        } elseif ($fraction !== null) {
            $amount = $fraction->value;
            $j += $fraction->length;
            if (($t[$j]->text ?? '') === 'of') {
                $j++;
            }
            if (in_array($t[$j]->text ?? '', ['full', 'whole', 'solid', 'more', 'straight', 'working', 'extra', 'calendar'], true)) {
                $j++;
            }
        }
        $unit = $amount === null ? null : ($this->units[$t[$j]->text ?? ''] ?? null);
        if ($unit === null && $amount !== null && isset($t[$j]) && $t[$j]->glued() && in_array($t[$j]->text, ['h', 'm', 'd', 'w'], true)) {
            $unit = ['h' => 'TH', 'm' => 'TM', 'd' => 'D', 'w' => 'W'][$t[$j]->text];
        }
        if ($unit === null || $amount === null || $amount < 0 || $amount > 10_000 || $unit === 'Q') {
            return null;
        }

        return [$amount, $unit, $j + 1 - $i];
    }

    /** @param list<Token> $t tokens of 'a half', 'half', 'a quarter' */
    private function half(array $t, int $i): int
    {
        $a = 'a' === ($t[$i]->text ?? '') ? 1 : 0;

        return in_array($t[$i + $a]->text ?? '', ['half', 'quarter'], true) ? $a + 1 : 0;
    }

    private function rank(string $unit): int
    {
        return (int) array_search($unit, ['TS', 'TM', 'TH', 'D', 'W', 'F', 'M', 'Y', 'X'], true);
    }

    /** @param list<array{float, string}> $parts */
    private function iso(array $parts): string
    {
        $sums = ['Y' => 0.0, 'M' => 0.0, 'W' => 0.0, 'D' => 0.0, 'TH' => 0.0, 'TM' => 0.0, 'TS' => 0.0];
        foreach ($parts as [$amount, $unit]) {
            match ($unit) {
                'F' => $sums['W'] += 2 * $amount,
                'X' => $sums['Y'] += 10 * $amount,
                'Q' => $sums['M'] += 3 * $amount,
                default => $sums[$unit] += $amount,
            };
        }
        foreach (['Y' => ['M', 12], 'M' => ['D', 30], 'W' => ['D', 7], 'D' => ['TH', 24], 'TH' => ['TM', 60], 'TM' => ['TS', 60]] as $unit => [$smaller, $times]) {
            $rest = $sums[$unit] - floor($sums[$unit]);
            if ($rest > 0) {
                $sums[$unit] = floor($sums[$unit]);
                $sums[$smaller] += round($rest * $times, 4);
            }
        }
        if ($sums['W'] > 0 && (array_sum($sums) > $sums['W'])) {
            $sums['D'] += 7 * $sums['W'];
            $sums['W'] = 0.0;
        }
        $date = '';
        foreach (['Y', 'M', 'W', 'D'] as $unit) {
            $date .= $sums[$unit] > 0 ? (int) round($sums[$unit]).$unit : '';
        }
        $time = '';
        foreach (['TH', 'TM', 'TS'] as $unit) {
            $time .= $sums[$unit] > 0 ? (int) round($sums[$unit]).$unit[1] : '';
        }

        return 'P'.$date.($time === '' ? ($date === '' ? 'T0S' : '') : 'T'.$time);
    }

    /** @param list<Token> $t */
    private function vague(array $t): ?string
    {
        $line = ' '.implode(' ', array_map(static fn (Token $token): string => $token->text, $t)).' ';
        if (preg_match('/ (a few|several|some|many|at least|at most|more than|less than|up to|no more than|under|over|couple or three|minimum|maximum|a bit over|just over|just under|odd|and a bit|and change|or more|or less|or longer) /', str_replace(' more or less ', ' ', $line), $m) === 1) {
            return "“{$m[1]}” is not an exact length";
        }
        if (preg_match('/ (?:\S+) (?:or|to) (?:\S+) (?:'.implode('|', array_map(preg_quote(...), array_keys($this->units))).') /', $line, $m) === 1) {
            for ($i = 0, $n = count($t); $i < $n; $i++) {
                if (in_array($t[$i]->text, ['or', 'to'], true) && $i > 0 && isset($t[$i + 1]) && $this->numerals->at($t, $i + 1) !== null && ($this->numerals->at($t, $i - 1) !== null || isset($this->units[$t[$i - 1]->text]))) {
                    return 'that is a range or a choice';
                }
            }
        }

        return null;
    }
}
