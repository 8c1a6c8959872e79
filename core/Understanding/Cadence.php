<?php

declare(strict_types=1);

namespace Ringo\Understanding;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;

/** How often something happens: 'every other week', 'twice a month', 'fortnightly', 'every second Friday', as times a year. */
final readonly class Cadence
{
    /** Weeks of a year, which a weekday comes in. */
    private const WEEKS = 52.0;

    private Numerals $numerals;

    /** @var array<string, float> times a year by adverb: weekly */
    private array $adverbs;

    /** @var array<string, float> times a year by unit: week */
    private array $units;

    /** @var array<string, int> */
    private array $steps;

    /** @var array<string, int> */
    private array $times;

    /** @var array<string, mixed> */
    private array $weekdays;

    public function __construct(private Vocabulary $words)
    {
        $this->numerals = new Numerals($words);
        ['adverbs' => $this->adverbs, 'units' => $this->units, 'steps' => $this->steps, 'times' => $this->times] = $words->section('cadence', 'how_often');
        $this->weekdays = $words->section('calendar', 'weekdays');
    }

    /**
     * @param list<Token> $t
     *
     * @return list<array{float, int, int}> times a year, and the tokens from and up to which they are told, in order
     */
    public function in(array $t): array
    {
        $found = [];
        for ($i = 0; $i < count($t); $i++) {
            $one = $this->at($t, $i);
            if ($one !== null) {
                $found[] = [$one[0], $i, $i + $one[1]];
                $i += $one[1] - 1;
            }
        }

        return $found;
    }

    /**
     * @param list<Token> $t
     *
     * @return array{float, int}|null
     */
    private function at(array $t, int $i): ?array
    {
        $word = $t[$i]->text;
        if (isset($this->adverbs[$word])) {
            return [$this->adverbs[$word], 1];
        }
        if (in_array($word, $this->words->section('cadence', 'each'), true)) {
            return $this->every($t, $i);
        }
        if (in_array($word, $this->words->section('cadence', 'alternate'), true)) {
            $unit = $this->unit($t, $i + 1);

            return $unit === null ? null : [$unit / 2, 2];
        }

        return $this->timesA($t, $i);
    }

    /**
     * 'Every week', 'every other Friday', 'every three months', 'each day'.
     *
     * @param list<Token> $t
     *
     * @return array{float, int}|null
     */
    private function every(array $t, int $i): ?array
    {
        $step = 1.0;
        $length = 1;
        $next = $t[$i + 1]->text ?? '';
        if (isset($this->steps[$next])) {
            [$step, $length] = [(float) $this->steps[$next], 2];
        } elseif (isset($t[$i + 1]) && ($number = $this->numerals->cardinal($t, $i + 1)) !== null) {
            [$step, $length] = [max(1.0, (float) $number->value), 1 + $number->length];
        }
        $unit = $this->unit($t, $i + $length);

        return $unit === null ? null : [$unit / $step, $length + 1];
    }

    /**
     * 'Once a week', 'three times a year', 'two a month'.
     *
     * @param list<Token> $t
     *
     * @return array{float, int}|null
     */
    private function timesA(array $t, int $i): ?array
    {
        $times = isset($this->times[$t[$i]->text]) ? [(float) $this->times[$t[$i]->text], 1] : null;
        if ($times === null) {
            $number = $this->numerals->cardinal($t, $i);
            $said = $number !== null && in_array($t[$i + $number->length]->text ?? '', $this->words->section('cadence', 'counted'), true);
            $times = $said ? [(float) $number->value, $number->length + 1] : null;
        }
        if ($times === null || ! in_array($t[$i + $times[1]]->text ?? '', $this->words->section('cadence', 'per'), true)) {
            return null;
        }
        $unit = $this->unit($t, $i + $times[1] + 1);

        return $unit === null ? null : [$times[0] * $unit, $times[1] + 2];
    }

    /** @param list<Token> $t */
    private function unit(array $t, int $i): ?float
    {
        $word = $t[$i]->text ?? '';

        return $this->units[$word] ?? (isset($this->weekdays[$word]) ? self::WEEKS : null);
    }
}
