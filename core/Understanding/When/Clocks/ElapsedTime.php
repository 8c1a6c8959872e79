<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Clocks;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Numerals;

/** A time told from now on: 'in two hours', 'half an hour ago'. */
final readonly class ElapsedTime
{
    public function __construct(private Vocabulary $words, private Numerals $numerals)
    {
    }

    /**
     * @param list<Token> $t 'in two hours', 'an hour from now', 'in half an hour'
     *
     * @return array{\DateTimeImmutable, int}|null
     */
    public function at(array $t, int $i, Context $context): ?array
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
}
