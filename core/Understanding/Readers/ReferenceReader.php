<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reader;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Repairs;
use Ringo\Understanding\Spelling;

/** Reads a reference of letters and digits, upper case without spaces: 'P for Papa, H, dash, two oh four three'. */
final readonly class ReferenceReader implements Reader
{
    /** Signs that are said alike. */
    private const ALIKE = ['0' => 'O', 'O' => '0', '1' => 'I', 'I' => '1'];

    /** Of so many places each may be either. */
    private const MOST_ALIKE = 6;

    private Spelling $spelling;

    private Repairs $repairs;

    public function __construct(private Vocabulary $words)
    {
        $this->spelling = new Spelling($words);
        $this->repairs = new Repairs($words);
    }

    public function read(Heard $heard, Context $context): Reading
    {
        $value = '';
        $from = PHP_INT_MAX;
        $to = 0;
        $rivals = false;
        foreach ($this->repairs->stretches($heard->tokens) as $stretch) {
            if ($stretch['restart']) {
                [$value, $from] = ['', PHP_INT_MAX];
            }
            $t = $this->repairs->withoutDenied($stretch['tokens']);
            $runs = array_values(array_filter($this->runs($t), fn (array $run): bool => $this->plausible($run, $t, $context, $value)));
            if ($runs === []) {
                continue;
            }
            $best = $this->best($runs, $context);
            $rivals = count($runs) > 1 && $this->alternatives($runs, $t);
            $value = $this->replaced($value, $best['text'], $context);
            $from = min($from, $t[$best['from']]->start);
            $to = max($to, $t[$best['to']]->end);
        }
        $value = $this->fits($value, $context) ? $value : $this->shaped($value, $context);
        if ($value === '' || $rivals || ! $this->fits($value, $context) || strlen($value) > 40) {
            return Reading::none($rivals ? 'two references were given' : ($value === '' ? null : "“{$value}” does not look like such a reference"));
        }
        if (! $context->asked && ! preg_match('/\d/', $value)) {
            return Reading::none();
        }
        $confidence = 0.62 + 0.34 * $heard->explained($from, $to, $this->words) + ($context->pattern !== null ? 0.03 : 0.0);

        return Reading::of($value, min(0.97, $confidence), $heard->between($from, $to), $from, $to);
    }

    /**
     * @param list<Token> $t
     *
     * @return list<array{text: string, from: int, to: int, units: int, code: bool}>
     */
    private function runs(array $t): array
    {
        $runs = [];
        $run = null;
        for ($i = 0, $n = count($t); $i < $n;) {
            $remark = $run === null ? $this->remark($t, $i) : 0;
            if ($remark > 0) {
                $i += $remark;

                continue;
            }
            $explained = $run === null ? 0 : $this->explained($t, $i, substr($run['text'], -1));
            if ($explained > 0) {
                $i += $explained;

                continue;
            }
            // 'The one before has run out' is no figure.
            $spoken = $t[$i]->text === 'the' && ($t[$i + 1]->text ?? '') === 'one' && (! isset($t[$i + 2]) || $this->piece($t, $i + 2, true) === null);
            if ($spoken) {
                $runs = $run === null ? $runs : [...$runs, $run];
                $run = null;
                $i += 2;

                continue;
            }
            $piece = $this->piece($t, $i, $run !== null);
            if ($piece === null || $run !== null && $this->spelling->saysMore($t, $i) && $this->piece($t, $i + 1, true) === null) {
                if ($run !== null && in_array($t[$i]->text, ['then', 'and', 'space', 'followed', 'by', 'number', 'numbers', 'digits', 'letters', 'the', 'an', "that's", 'um'], true) && isset($t[$i + 1]) && $this->ahead($t, $i + 1)) {
                    $i++;

                    continue;
                }
                if ($run !== null) {
                    $runs[] = $run;
                    $run = null;
                }
                $i++;

                continue;
            }
            $run ??= ['text' => '', 'from' => $i, 'to' => $i, 'units' => 0, 'code' => false];
            // A hyphen or slash written between two parts is kept.
            if ($run['text'] !== '' && in_array($t[$i]->gap, ['-', '/'], true) && ! ctype_punct($piece[0])) {
                $single = $t[$i]->isLetter() && isset($t[$i - 1]) && $t[$i - 1]->isLetter();
                $run['text'] .= $single ? '' : $t[$i]->gap;
            }
            $run['text'] .= $piece[0];
            $run['to'] = $i + $piece[1] - 1;
            $run['units']++;
            $run['code'] = $run['code'] || $piece[2];
            $i += $piece[1];
        }
        if ($run !== null) {
            $runs[] = $run;
        }

        return array_map(static fn (array $run): array => ['text' => strtoupper(trim($run['text'], '-/.')), ...array_slice($run, 1)], $runs);
    }

    /**
     * 'H B, that's B for bravo': the letter just said, once more.
     *
     * @param list<Token> $t
     *
     * @return int how many words
     */
    private function explained(array $t, int $i, string $last): int
    {
        $letter = in_array($t[$i]->text, ["that's", 'thats', 'as'], true) && isset($t[$i + 1]) ? $this->spelling->letter($t, $i + 1, true) : null;

        return $letter !== null && $letter[1] > 1 && strcasecmp($letter[0], $last) === 0 ? 1 + $letter[1] : 0;
    }

    /**
     * Words before a reference that look like a part of it: 'oh,' between pauses, 'four numbers and two letters'.
     *
     * @param list<Token> $t
     *
     * @return int how many
     */
    private function remark(array $t, int $i): int
    {
        $word = $t[$i] ?? null;
        $next = $t[$i + 1] ?? null;
        // 'It's a private one, R O S A one'
        if ($word?->text === 'one' && $next?->afterBreak() === true && $i > 1 && in_array($t[$i - 2]->text, ['a', 'an', 'the', 'that', 'this', 'another'], true) && $this->piece($t, $i - 1, false) === null) {
            return 1;
        }
        if ($word !== null && $word->text === 'oh' && $next !== null && $next->afterBreak() && ($i === 0 || $word->afterBreak())) {
            return 1;
        }

        return $next !== null && in_array($next->text, ['numbers', 'letters', 'digits', 'figures'], true) && ! $next->afterBreak() && $this->spelling->digits($t, $i, false) !== null
            ? 2
            : 0;
    }

    /** @param list<Token> $t */
    private function ahead(array $t, int $i): bool
    {
        for ($k = $i; $k < $i + 3 && isset($t[$k]); $k++) {
            if ($this->piece($t, $k, true) !== null) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param list<Token> $t
     *
     * @return array{string, int, bool}|null text, tokens, whether it looks like code rather than a word
     */
    private function piece(array $t, int $i, bool $inside): ?array
    {
        $word = $t[$i]->text;
        if ($inside && in_array($word, ['dash', 'hyphen'], true)) {
            return ['-', 1, true];
        }
        if ($inside && in_array($word, ['slash', 'stroke', 'oblique', '/'], true) || $inside && $word === 'forward' && ($t[$i + 1]->text ?? '') === 'slash') {
            return ['/', $word === 'forward' ? 2 : 1, true];
        }
        if ($word === 'o' && ($inside || isset($t[$i + 1]))) {
            if ($inside && $t[$i]->original === 'O' && $i > 0 && preg_match('/^\p{Lu}$/u', $t[$i - 1]->original) === 1) {
                return ['o', 1, true];
            }
            // The letter O among letters, the digit among digits.
            $near = ($i > 0 && ($this->digitAt($t, $i - 1))) || $this->digitAt($t, $i + 1);

            return [$near ? '0' : 'o', 1, true];
        }
        if (preg_match('/^\d+(?:\/\d+)+$/', $word) === 1) {
            return [$word, 1, true];
        }
        $digits = $this->spelling->digits($t, $i, $inside);
        if ($digits !== null && ! in_array($word, ['oh', 'nil'], true) || $digits !== null && ($inside || isset($t[$i + 1]))) {
            return [$digits[0], $digits[1], true];
        }
        if (in_array($word, ['a', 'i'], true) && ! $inside) {
            $next = $t[$i + 1]->text ?? '';
            $letter = $this->spelling->letter($t, $i + 1, true);
            if (($this->spelling->letter($t, $i, false)[1] ?? 0) > 1 || ($letter !== null && strlen($next) === 1) || $this->digitAt($t, $i + 1) && $t[$i]->original === strtoupper($t[$i]->original)) {
                $hit = $this->spelling->letter($t, $i, false);

                return $hit === null ? null : [$hit[0], $hit[1], true];
            }

            return null;
        }
        $letter = $this->spelling->letter($t, $i, $inside);
        if ($letter !== null && ! (in_array($word, ['are', 'you', 'see', 'why', 'tea', 'sea', 'eye', 'es'], true) && ! isset($t[$i + 1]) && $i < 2)) {
            return [$letter[0], $letter[1], true];
        }
        // A group of capitals such as INV, or letters glued to digits.
        if (preg_match('/^\p{Lu}{2,5}$/u', $t[$i]->original) === 1 && ! $this->shouted($t) || (isset($t[$i + 1]) && $t[$i + 1]->glued() && $t[$i + 1]->isDigits() && strlen($word) <= 5) || ($t[$i]->glued() && $i > 0 && $t[$i - 1]->isDigits() && strlen($word) <= 4)) {
            return [$word, 1, true];
        }
        // A short group without a vowel is no word.
        if (preg_match('/^[b-df-hj-np-tv-z]{2,3}$/', $word) === 1 && ! in_array($word, ['my', 'by', 'th', 'st', 'nd', 'rd', 'mr', 'mrs', 'dr', 'ms', 'hmm', 'mm', 'why', 'try'], true) && ($inside || $this->digitAt($t, $i + 1))) {
            return [$word, 1, true];
        }
        if (isset($t[$i + 1]) && $t[$i + 1]->gap === '-' && ($t[$i + 1]->isDigits() || preg_match('/\d/', $t[$i + 1]->text) === 1) && strlen($word) <= 5) {
            return [$word, 1, true];
        }

        return null;
    }

    /** @param list<Token> $t */
    private function digitAt(array $t, int $i): bool
    {
        return isset($t[$i]) && $t[$i]->text !== 'o' && $this->spelling->digits($t, $i, false) !== null;
    }

    /** @param list<Token> $t a line all in capitals says nothing about one word */
    private function shouted(array $t): bool
    {
        foreach ($t as $token) {
            if (preg_match('/\p{Ll}/u', $token->original) === 1) {
                return false;
            }
        }

        return count($t) > 3;
    }

    /**
     * @param array{text: string, from: int, to: int, units: int, code: bool} $run
     * @param list<Token> $t
     */
    private function plausible(array $run, array $t, Context $context, string $earlier): bool
    {
        if ($run['text'] === '') {
            return false;
        }
        if ($context->pattern !== null && $this->fits($run['text'], $context)) {
            return true;
        }
        $hasDigit = preg_match('/\d/', $run['text']) === 1;
        $least = $earlier !== '' ? 1 : 3;

        return $hasDigit ? strlen($run['text']) >= $least : $run['units'] >= 3 && strlen($run['text']) >= $least;
    }

    /**
     * @param non-empty-list<array{text: string, from: int, to: int, units: int, code: bool}> $runs
     *
     * @return array{text: string, from: int, to: int, units: int, code: bool}
     */
    private function best(array $runs, Context $context): array
    {
        usort($runs, fn (array $a, array $b): int => [$this->fits($b['text'], $context) && $context->pattern !== null, strlen($b['text'])] <=> [$this->fits($a['text'], $context) && $context->pattern !== null, strlen($a['text'])]);

        return $runs[0];
    }

    /**
     * @param list<array{text: string, from: int, to: int, units: int, code: bool}> $runs
     * @param list<Token> $t
     */
    private function alternatives(array $runs, array $t): bool
    {
        return ($t[$runs[0]['to'] + 1]->text ?? '') === 'or' && strlen($runs[1]['text']) === strlen($runs[0]['text']);
    }

    private function replaced(string $earlier, string $new, Context $context): string
    {
        if ($earlier === '' || strlen($new) >= strlen($earlier)) {
            return $new;
        }
        if ($context->pattern !== null && $this->fits($new, $context)) {
            return $new;
        }

        // A shorter correction replaces the end it repeats.
        return substr($earlier, 0, -strlen($new)).$new;
    }

    private function fits(string $value, Context $context): bool
    {
        return $context->pattern === null || preg_match('~'.str_replace('~', '\~', $context->pattern).'~u', $value) === 1;
    }

    /** A letter that sounds like a figure, or the other way round, where the pattern tells which it must be: 'O eight three nine' of 'A123'. */
    private function shaped(string $value, Context $context): string
    {
        $places = array_slice(array_keys(array_filter(str_split($value), static fn (string $sign): bool => isset(self::ALIKE[$sign]))), 0, self::MOST_ALIKE);
        $fitting = [];
        for ($which = 1; $which < 1 << count($places); $which++) {
            $other = $value;
            foreach ($places as $n => $place) {
                $other[$place] = ($which >> $n & 1) === 1 ? self::ALIKE[$value[$place]] : $value[$place];
            }
            if ($this->fits($other, $context)) {
                $fitting[] = $other;
            }
        }

        return count($fitting) === 1 ? $fitting[0] : $value;
    }
}
