<?php

declare(strict_types=1);

namespace Ringo\Understanding;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;

/** Reads spelled letters and digit strings: 'S M Y T H', 'M for Mother', 'double four', 'bravo one two'. */
final readonly class Spelling
{
    /** What stands behind a letter and says nothing beside it. */
    private const GOES_ON_OR_ENDS = ['and', 'then', 'for', 'as', 'in', 'dash', 'space', 'please', 'thanks', 'thank', 'that', "that's", 'is', "it's", 'it', 'at', 'followed', 'sorry', 'um', 'er', 'yes', 'yeah', 'okay', 'no', 'ok'];

    /** @var array<string, int> */
    private array $digits;

    /** @var array<string, int> */
    private array $teens;

    /** @var array<string, int> */
    private array $tens;

    public function __construct(private Vocabulary $words)
    {
        $this->digits = $words->section('numbers', 'zero') + $words->section('numbers', 'units');
        $this->teens = $words->section('numbers', 'teens');
        $this->tens = $words->section('numbers', 'tens');
    }

    /**
     * One letter at a place, however it is said; two or more where it is doubled.
     *
     * @param list<Token> $t
     * @param bool $inside within a run of letters, where letter names such as 'bee' and alphabet words are believed
     *
     * @return array{string, int}|null lower-case letters and tokens taken
     */
    public function letter(array $t, int $i, bool $inside): ?array
    {
        $word = $t[$i]->text ?? '';
        if (in_array($word, ['capital', 'letter', 'lowercase', 'uppercase', 'small'], true) && ($next = $this->letter($t, $i + 1, true)) !== null) {
            return [$next[0], $next[1] + 1];
        }
        if (in_array($word, ['lower', 'upper'], true) && ($t[$i + 1]->text ?? '') === 'case' && ($next = $this->letter($t, $i + 2, true)) !== null) {
            return [$next[0], $next[1] + 2];
        }
        if ($word === 'x' && ($t[$i + 1]->text ?? '') === 'ray') {
            return ['x', 2];
        }
        $times = $this->words->section('numbers', 'multiples')[$word] ?? null;
        if ($times !== null) {
            $next = $t[$i + 1]->text ?? '';
            if ($times === 2 && in_array($next, ['u', 'you', 'yu'], true)) {
                return ['w', 2];
            }
            $letter = $this->letter($t, $i + 1, true);

            return $letter !== null && strlen($letter[0]) === 1 ? [str_repeat($letter[0], $times), $letter[1] + 1] : null;
        }
        // 'M for Mother', 'B as in bravo'
        if (preg_match('/^[a-z]$/', $word) === 1 && ($for = $this->words->phrases('letters', 'for')->at($t, $i + 1)) !== null) {
            $sample = $t[$i + 1 + $for[1]]->text ?? '';
            if (strlen($sample) > 1 && $sample[0] === $word) {
                return [$word, 2 + $for[1]];
            }
        }
        if (preg_match('/^[a-z]$/', $word) === 1) {
            return [$word, 1];
        }
        $names = $this->words->section('letters', 'names');
        if (isset($names[$word]) && ($for = $this->words->phrases('letters', 'for')->at($t, $i + 1)) !== null) {
            $sample = $t[$i + 1 + $for[1]]->text ?? '';
            if ($sample !== '' && strlen($sample) > 1 && $sample[0] === $names[$word]) {
                return [$names[$word], 2 + $for[1]];
            }
        }
        $alphabet = $this->words->section('letters', 'alphabet');
        if (isset($alphabet[$word])) {
            return [$alphabet[$word], 1];
        }

        return $inside && isset($names[$word]) ? [$names[$word], 1] : null;
    }

    /**
     * A word that sounds like a letter and begins a remark ends what is spelled: 'P H two oh four three I think'.
     *
     * @param list<Token> $t
     */
    public function saysMore(array $t, int $i): bool
    {
        $next = $t[$i + 1] ?? null;

        return in_array($t[$i]->text, ['i', 'you', 'see', 'be', 'are', 'why'], true) && $next !== null && preg_match('/^[a-z]{2,}$/', $next->text) === 1
            && ! in_array($next->text, self::GOES_ON_OR_ENDS, true) && $this->letter($t, $i + 1, true) === null && $this->digits($t, $i + 1, true) === null;
    }

    /**
     * A run of letters. Alone, one letter is none: 'a digger' is not spelled.
     *
     * @param list<Token> $t
     *
     * @return array{string, int, int}|null letters, tokens taken, and how many units were said
     */
    public function run(array $t, int $i): ?array
    {
        $start = $i;
        $letters = '';
        $units = 0;
        $sure = 0;
        while (isset($t[$i])) {
            $letter = $this->letter($t, $i, $units > 0);
            if ($letter === null) {
                break;
            }
            // 'Domnica Lima, I rang last week': neither is a letter.
            if ($units > 0 && $this->saysMore($t, $i)) {
                break;
            }
            // A one-letter word that begins a phrase ends the run: 'S M I T H, I need a digger'.
            if ($units > 1 && $t[$i]->afterBreak() && in_array($t[$i]->text, ['i', 'a'], true) && $this->letter($t, $i + 1, false) === null && isset($t[$i + 1])) {
                break;
            }
            $sure += $letter[1] > 1 || strlen($t[$i]->text) === 1 ? 1 : 0;
            $letters .= $letter[0];
            $units++;
            $i += $letter[1];
        }
        if ($units < 2 || ($sure === 0 && $units < 3)) {
            return null;
        }

        return [$letters, $i - $start, $units];
    }

    /**
     * Digits at a place: '07700', 'double four', 'oh', 'twenty three', 'eight hundred'.
     *
     * @param list<Token> $t
     * @param bool $inside within a run, where sound-alikes such as 'to' and 'for' are believed if a digit follows
     *
     * @return array{string, int}|null digits and tokens taken
     */
    public function digits(array $t, int $i, bool $inside): ?array
    {
        $word = $t[$i]->text ?? '';
        if ($word === '') {
            return null;
        }
        if (($t[$i])->isDigits()) {
            return [$word, 1];
        }
        if (preg_match('/^\d{1,3}(?:,\d{3})+$|^\d+(?:\.\d+)+$|^\d+(?:\/\d+)+$|^\d{4}-\d\d-\d\d$|^\d+:\d+$/', $word) === 1) {
            return [preg_replace('/\D/', '', $word) ?? '', 1];
        }
        $times = $this->words->section('numbers', 'multiples')[$word] ?? null;
        if ($times !== null) {
            $next = $this->digits($t, $i + 1, true);

            return $next === null ? null : [str_repeat($next[0][0], $times).substr($next[0], 1), $next[1] + 1];
        }
        // 'Six sixes', 'three noughts'
        $several = isset($this->digits[$word]) && $this->digits[$word] > 1 ? ($this->words->section('numbers', 'several_of_a_digit')[$t[$i + 1]->text ?? ''] ?? null) : null;
        if ($several !== null) {
            return [str_repeat((string) $several, (int) $this->digits[$word]), 2];
        }
        if (isset($this->digits[$word])) {
            return $this->rounded((string) $this->digits[$word], $t, $i, 1);
        }
        if (isset($this->teens[$word])) {
            return $this->rounded((string) $this->teens[$word], $t, $i, 1);
        }
        if (isset($this->tens[$word])) {
            $unit = $this->digits[$t[$i + 1]->text ?? ''] ?? 0;
            $joined = $unit > 0 && ! $t[$i + 1]->afterBreak();

            return [(string) ($this->tens[$word] + ($joined ? $unit : 0)), $joined ? 2 : 1];
        }
        $alike = $this->words->section('numbers', 'soundalikes')[$word] ?? null;
        if ($inside && $alike !== null && $this->digits($t, $i + 1, false) !== null) {
            return [(string) $alike, 1];
        }

        return null;
    }

    /**
     * @param list<Token> $t
     *
     * @return array{string, int} 'eight hundred' as 800, 'six thousand' as 6000
     */
    private function rounded(string $digits, array $t, int $i, int $length): array
    {
        return match ($t[$i + $length]->text ?? '') {
            'hundred' => [$digits.'00', $length + 1],
            'thousand' => [$digits.'000', $length + 1],
            default => [$digits, $length],
        };
    }
}
