<?php

declare(strict_types=1);

namespace Ringo\Understanding;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;

/** Reads number words and digits at a place in a token list. */
final readonly class Numerals
{
    private const MOST_CHUNKS = 24;

    /** @var array<string, int> */
    private array $zero;

    /** @var array<string, int> */
    private array $units;

    /** @var array<string, int> */
    private array $teens;

    /** @var array<string, int> */
    private array $tens;

    /** @var array<string, int> */
    private array $scales;

    /** @var array<string, int> */
    private array $ordinals;

    /** @var array<string, int> */
    private array $collective;

    /** @var array<string, float> */
    private array $fractions;

    public function __construct(private Vocabulary $words)
    {
        $this->zero = $words->section('numbers', 'zero');
        $this->units = $words->section('numbers', 'units');
        $this->teens = $words->section('numbers', 'teens');
        $this->tens = $words->section('numbers', 'tens');
        $this->scales = $words->section('numbers', 'scales');
        $this->ordinals = $words->section('numbers', 'ordinals');
        $this->collective = $words->section('numbers', 'collective');
        $this->fractions = $words->section('numbers', 'fractions');
    }

    /**
     * The longest number that begins at a place: 'two and a half', '1,200', 'half a dozen', 'minus four', 'three quarters'.
     *
     * @param list<Token> $t
     */
    public function at(array $t, int $i): ?Numeral
    {
        if (in_array($t[$i]->text ?? '', ['minus', 'negative'], true)) {
            $number = $this->at($t, $i + 1);

            return $number === null ? null : new Numeral(-$number->value, $number->length + 1, $number->digits);
        }

        return $this->fraction($t, $i) ?? $this->full($t, $i);
    }

    /**
     * 'At least', 'under' and the like, right before a number: the words found, or null.
     *
     * @param list<Token> $t
     */
    public function bound(array $t): ?string
    {
        foreach ($this->words->phrases('numbers', 'bounds')->all($t) as [$phrase, $place, $length]) {
            for ($i = $place + $length; $i <= $place + $length + 2 && isset($t[$i]); $i++) {
                if ($this->cardinal($t, $i) !== null || in_array($t[$i]->text, ['dozen', 'couple', 'half'], true)) {
                    return $phrase;
                }
                if (! in_array($t[$i]->text, ['an', 'a', 'about', '£', '$', '€', 'say', 'the', 'around', 'of'], true)) {
                    break;
                }
            }
        }

        return null;
    }

    /**
     * A whole number without fractions and collectives.
     *
     * @param list<Token> $t
     */
    public function cardinal(array $t, int $i): ?Numeral
    {
        $start = $i;
        $total = 0.0;
        $current = null;
        $last = '';
        $lastScale = INF;
        $digits = false;
        $written = '';
        if (in_array($t[$i]->text ?? '', ['an', 'a', 'one'], true) && isset($this->scales[$t[$i + 1]->text ?? ''])) {
            $current = 1.0;
            $last = 'unit';
            $i++;
        }
        for (; isset($t[$i]); $i++) {
            $word = $t[$i]->text;
            if ($last !== '' && $t[$i]->afterBreak()) {
                break;
            }
            if (($number = $this->digits($word)) !== null && ($current === null || $last === 'hundred')) {
                $current = ($current ?? 0) + $number;
                $last = 'number';
                $digits = true;
                $written = $word;
            } elseif (isset($this->units[$word]) && ($current === null || in_array($last, ['tens', 'hundred'], true))) {
                $current = ($current ?? 0) + $this->units[$word];
                $last = 'unit';
            } elseif (isset($this->teens[$word]) && ($current === null || $last === 'hundred')) {
                $current = ($current ?? 0) + $this->teens[$word];
                $last = 'teen';
            } elseif (isset($this->tens[$word]) && ($current === null || $last === 'hundred')) {
                $current = ($current ?? 0) + $this->tens[$word];
                $last = 'tens';
            } elseif (isset($this->zero[$word]) && $last === '' && $word !== 'o') {
                return new Numeral(0.0, 1, false);
            } elseif ($word === 'hundred' && $current !== null && $current < 100 && $last !== 'hundred') {
                $current *= 100;
                $last = 'hundred';
            } elseif (isset($this->scales[$word]) && $word !== 'hundred' && $current !== null && $this->scales[$word] < $lastScale) {
                $total += $current * $this->scales[$word];
                $lastScale = $this->scales[$word];
                $current = null;
                $last = 'scale';
            } elseif (($word === 'k' || $word === 'm' && $t[$i]->glued() && $last === 'number') && $current !== null && ! (isset($t[$i + 1]) && ($t[$i + 1]->isLetter() || $t[$i + 1]->isDigits()))) {
                $total += $current * ($word === 'k' ? 1000 : 1_000_000);
                $current = null;
                $last = 'scale';
                $lastScale = 1000;
            } elseif ($word === 'and' && in_array($last, ['hundred', 'scale'], true) && $this->small($t[$i + 1]->text ?? '')) {
                continue;
            } else {
                break;
            }
        }
        if ($last === '') {
            return null;
        }

        return new Numeral($total + ($current ?? 0), $i - $start, $digits, $i - $start === 1 ? $written : '');
    }

    /**
     * Numbers standing side by side with no break between: 'nineteen ninety nine', 'two fifty', 'one five zero'.
     *
     * @param list<Token> $t
     *
     * @return array{list<int>, int, list<string>} the numbers, how many tokens they took, and each as written
     */
    public function chunks(array $t, int $i): array
    {
        $start = $i;
        $chunks = [];
        $written = [];
        // No number is said in more pieces; a longer run is no number, and looking on would cost its square.
        while (isset($t[$i]) && count($chunks) < self::MOST_CHUNKS && ($chunks === [] || ! $t[$i]->afterBreak() && ! ($t[$i]->gap === '-' && $t[$i]->isDigits()))) {
            if (isset($this->zero[$t[$i]->text])) {
                $chunks[] = 0;
                $written[] = '0';
                $i++;

                continue;
            }
            $number = $this->cardinal($t, $i);
            if ($number === null || ! $number->isWhole() || $number->value > PHP_INT_MAX / 2) {
                break;
            }
            $chunks[] = $number->whole();
            $written[] = $number->written !== '' ? $number->written : (string) $number->whole();
            $i += $number->length;
        }

        return [$chunks, $i - $start, $written];
    }

    /**
     * 'third', '21st', 'twenty first'; with its length.
     *
     * @param list<Token> $t
     */
    public function ordinal(array $t, int $i): ?Numeral
    {
        $word = $t[$i]->text ?? '';
        if (preg_match('/^(\d+)(?:st|nd|rd|th)$/', $word, $m) === 1) {
            return new Numeral((float) $m[1], 1, true);
        }
        if (isset($this->ordinals[$word])) {
            return new Numeral((float) $this->ordinals[$word], 1, false);
        }
        if (isset($this->tens[$word]) && isset($this->ordinals[$t[$i + 1]->text ?? '']) && $this->ordinals[$t[$i + 1]->text] < 10) {
            return new Numeral((float) ($this->tens[$word] + $this->ordinals[$t[$i + 1]->text]), 2, false);
        }

        return null;
    }

    /** @param list<Token> $t */
    private function full(array $t, int $i): ?Numeral
    {
        $word = $t[$i]->text ?? '';
        // 'a dozen', 'a couple', 'a couple of hundred'
        $article = in_array($word, ['a', 'an', 'the'], true) ? 1 : 0;
        if (isset($this->collective[$t[$i + $article]->text ?? ''])) {
            return $this->collected($t, $i, $i + $article, 1.0, false);
        }
        $number = $this->cardinal($t, $i);
        if ($number === null) {
            return null;
        }
        $value = $number->value;
        $j = $i + $number->length;
        if (in_array($t[$j]->text ?? '', ['point', 'dot'], true)) {
            [$decimals, $length] = $this->decimals($t, $j + 1);
            if ($decimals !== '') {
                $value += (float) ('0.'.$decimals) * ($value < 0 ? -1 : 1);
                $j += 1 + $length;
            }
        }
        if (in_array($t[$j]->text ?? '', ['½', '¼', '¾'], true)) {
            $value += ['½' => 0.5, '¼' => 0.25, '¾' => 0.75][$t[$j]->text];
            $j++;
        }
        // 'two and a half', 'three and three quarters'
        if (($t[$j]->text ?? '') === 'and' && ($part = $this->fraction($t, $j + 1)) !== null && $part->value < 1) {
            $value += $part->value;
            $j += 1 + $part->length;
        } elseif (($t[$j]->text ?? '') === 'half' && $number->digits && $number->value < 100 && isset($t[$j + 1])) {
            $value += 0.5;
            $j++;
        }
        $scale = $this->scales[$t[$j]->text ?? ''] ?? (($t[$j]->text ?? '') === 'k' ? 1000 : null);
        if ($scale !== null && $j > $i + $number->length) {
            return new Numeral($value * $scale, $j + 1 - $i, $number->digits);
        }
        if (isset($this->collective[$t[$j]->text ?? '']) && ($t[$j]->text !== 'couple')) {
            return $this->collected($t, $i, $j, $value, $number->digits);
        }

        return new Numeral($value, $j - $i, $number->digits, $j - $i === 1 ? $number->written : '');
    }

    /** @param list<Token> $t */
    private function collected(array $t, int $start, int $at, float $times, bool $digits): Numeral
    {
        $value = $times * $this->collective[$t[$at]->text];
        $end = $at + 1;
        $of = ($t[$end]->text ?? '') === 'of' ? 1 : 0;
        if (isset($this->scales[$t[$end + $of]->text ?? ''])) {
            return new Numeral($value * $this->scales[$t[$end + $of]->text], $end + $of + 1 - $start, $digits);
        }

        return new Numeral($value, $end - $start, $digits);
    }

    /** @param list<Token> $t 'half', 'a half', 'three quarters', 'half a dozen', 'half a million', '1/2' */
    private function fraction(array $t, int $i): ?Numeral
    {
        $word = $t[$i]->text ?? '';
        if (preg_match('/^([1-9])\/([2-9])$/', $word, $m) === 1) {
            return new Numeral((int) $m[1] / (int) $m[2], 1, true);
        }
        if (isset(['½' => 1, '¼' => 1, '¾' => 1][$word])) {
            return new Numeral(['½' => 0.5, '¼' => 0.25, '¾' => 0.75][$word], 1, true);
        }
        $article = in_array($word, ['a', 'an', 'one'], true) ? 1 : 0;
        $name = $t[$i + $article]->text ?? '';
        if (in_array($name, ['half', 'quarter', 'third'], true) && ($article === 1 || $name === 'half')) {
            $next = $i + $article + 1;
            $of = in_array($t[$next]->text ?? '', ['of', 'a'], true) ? 1 : 0;
            $unit = $t[$next + $of]->text ?? '';
            if ($name !== 'third' && (isset($this->collective[$unit]) || (isset($this->scales[$unit]) && $of === 1))) {
                $size = $this->collective[$unit] ?? $this->scales[$unit];

                return new Numeral($this->fractions[$name] * $size, $next + $of + 1 - $i, false);
            }

            return new Numeral($this->fractions[$name], $article + 1, false);
        }
        $count = $this->units[$word] ?? ($t[$i] ?? null)?->text;
        if (is_numeric($count) && (int) $count >= 1 && (int) $count <= 9 && in_array($t[$i + 1]->text ?? '', ['quarters', 'thirds', 'halves', 'tenths'], true)) {
            return new Numeral((int) $count * $this->fractions[$t[$i + 1]->text], 2, false);
        }

        return null;
    }

    /**
     * @param list<Token> $t
     *
     * @return array{string, int}
     */
    private function decimals(array $t, int $i): array
    {
        $digits = '';
        $start = $i;
        for (; isset($t[$i]) && ! ($i > $start && $t[$i]->afterBreak()); $i++) {
            $word = $t[$i]->text;
            $digit = $this->zero[$word] ?? $this->units[$word] ?? $this->teens[$word] ?? ($t[$i]->isDigits() ? $word : null);
            if ($digit === null && isset($this->tens[$word])) {
                $unit = $this->units[$t[$i + 1]->text ?? ''] ?? 0;
                $digit = $this->tens[$word] + $unit;
                $i += $unit > 0 ? 1 : 0;
            }
            if ($digit === null) {
                break;
            }
            $digits .= $digit;
        }

        return [$digits, $i - $start];
    }

    private function digits(string $word): ?float
    {
        if (preg_match('/^\d{1,3}(?:,\d{3})+(?:\.\d+)?$|^\d+(?:\.\d+)?$/', $word) !== 1) {
            return null;
        }

        return (float) str_replace(',', '', $word);
    }

    private function small(string $word): bool
    {
        return isset($this->units[$word]) || isset($this->teens[$word]) || isset($this->tens[$word]) || (ctype_digit($word) && strlen($word) < 3);
    }
}
