<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Spelling;

/** The code at the end of an address, checked for its form: a GB postcode, or a US state with its ZIP code. */
final readonly class PostalCode
{
    /** Form of a GB postcode, after BS 7666. */
    private const GB = '/^(?:GIR0AA|[A-Z]{1,2}\d[A-Z\d]?\d[A-Z]{2})$/';

    private Spelling $spelling;

    public function __construct(private Vocabulary $words)
    {
        $this->spelling = new Spelling($words);
    }

    /**
     * The postcode or ZIP code at the end, however it is said.
     *
     * @param list<Token> $t
     *
     * @return array{string, ?int, ?int} code, first and last token
     */
    public function in(array $t, Context $context): array
    {
        $n = count($t);
        if ($context->country === 'US') {
            return $this->zip($t);
        }
        for ($i = max(0, $n - 14); $i < $n; $i++) {
            $text = '';
            $pieces = 0;
            for ($j = $i; $j < $n && $pieces < 8;) {
                $word = $t[$j]->text;
                if ($pieces > 0 && in_array($word, ['space', 'then', 'and'], true)) {
                    $j++;

                    continue;
                }
                $piece = null;
                if (preg_match('/^[a-z]{1,2}$/', $word) === 1 && ! in_array($word, ['at', 'in', 'on', 'to', 'is', 'it', 'of', 'by', 'my', 'no', 'so', 'we', 'up', 'st', 'rd', 'dr'], true)) {
                    $piece = $this->spelling->letter($t, $j, true) ?? [$word, 1];
                    $piece = strlen($word) === 2 && ! isset($this->words->section('letters', 'names')[$word]) ? [$word, 1] : $piece;
                } else {
                    $piece = $this->spelling->digits($t, $j, $pieces > 0) ?? $this->spelling->letter($t, $j, $pieces > 0);
                }
                if ($piece === null) {
                    break;
                }
                $text .= strtoupper($piece[0]);
                $pieces++;
                $j += $piece[1];
                $end = $j >= $n || $t[$j]->afterBreak() || in_array($t[$j]->text, ['please', 'is', 'if', 'thanks', 'and', 'that', 'for', 'by'], true);
                if ($end && preg_match(self::GB, $text) === 1) {
                    return [substr($text, 0, -3).' '.substr($text, -3), $i, $j - 1];
                }
            }
        }

        return ['', null, null];
    }

    /**
     * @param list<Token> $t
     *
     * @return array{string, ?int, ?int}
     */
    private function zip(array $t): array
    {
        $n = count($t);
        $states = $this->words->phrases('address', 'states');
        for ($i = $n - 1; $i >= max(1, $n - 8); $i--) {
            $digits = '';
            for ($j = $i; $j < $n && strlen($digits) < 5 && ($piece = $this->spelling->digits($t, $j, true)) !== null;) {
                $digits .= $piece[0];
                $j += $piece[1];
            }
            if (strlen($digits) === 5 && $j >= $n) {
                // The state stands right before it.
                foreach ([3, 2, 1] as $back) {
                    $name = $i - $back >= 0 ? $states->at($t, $i - $back) : null;
                    if ($name !== null && $name[1] === $back) {
                        return [$name[0].' '.$digits, $i - $back, $j - 1];
                    }
                }
                $before = strtoupper($t[$i - 1]->text);
                if (in_array($before, $this->words->section('address', 'states'), true)) {
                    return [$before.' '.$digits, $i - 1, $j - 1];
                }
                $previous = $this->spelling->digits($t, $i - 1, true);
                if ($previous === null && strlen((string) preg_replace('/\D/', '', $digits)) === 5) {
                    return [$digits, $i, $j - 1];
                }
            }
        }
        foreach ([3, 2, 1] as $back) {
            $name = $n - $back > 1 ? $states->at($t, $n - $back) : null;
            if ($name !== null && $name[1] === $back) {
                return [$name[0], $n - $back, $n - 1];
            }
        }
        $last = strtoupper($t[$n - 1]->text);

        return $n > 3 && strlen($last) === 2 && in_array($last, $this->words->section('address', 'states'), true) ? [$last, $n - 1, $n - 1] : ['', null, null];
    }
}
