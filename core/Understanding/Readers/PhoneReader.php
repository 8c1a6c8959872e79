<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Numbering\PhoneNumber;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reader;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Repairs;
use Ringo\Understanding\Spelling;

/** Reads a telephone number as E.164; a correction replaces the digits at the end that it repeats. */
final readonly class PhoneReader implements Reader
{
    private Spelling $spelling;

    private Repairs $repairs;

    public function __construct(private Vocabulary $words, private NumberingPlan $plan)
    {
        $this->spelling = new Spelling($words);
        $this->repairs = new Repairs($words);
    }

    public function read(Heard $heard, Context $context): Reading
    {
        $digits = '';
        $number = null;
        $rivals = 0;
        $from = PHP_INT_MAX;
        $to = 0;
        $alternatives = false;
        foreach ($this->repairs->stretches($heard->tokens) as $stretch) {
            if ($stretch['restart']) {
                [$digits, $number, $from] = ['', null, PHP_INT_MAX];
            }
            $runs = $this->runs($this->repairs->withoutDenied($stretch['tokens']), $context->asked);
            if ($runs === []) {
                continue;
            }
            $whole = array_values(array_filter($runs, fn (array $run): bool => $this->parse($run['digits'], $context) !== null));
            if (count(array_unique(array_column($whole, 'digits'))) > 1) {
                $alternatives = true;
                [$digits, $number] = ['', null];

                continue;
            }
            $alternatives = false;
            $run = $whole[0] ?? $this->together($runs, $context);
            [$digits, $number] = $this->replaced($digits, $number, $run['digits'], $context);
            $from = min($from, $run['from']);
            $to = max($to, $run['to']);
            $rivals = count($whole);
        }
        if ($number === null) {
            return Reading::none(match (true) {
                $alternatives => 'two numbers were given',
                strlen($digits) >= 3 => 'those digits are not a whole number of this country: '.$digits,
                default => null,
            });
        }
        $confidence = $number->assigned ? 0.97 : 0.93;

        return Reading::of($number->e164, $confidence - ($rivals > 1 ? 0.2 : 0.0), $heard->between($from, $to), $from, $to);
    }

    /**
     * @param list<Token> $t
     *
     * @return list<array{digits: string, from: int, to: int}>
     */
    private function runs(array $t, bool $asked): array
    {
        $runs = [];
        $run = null;
        $gap = 0;
        for ($i = 0, $n = count($t); $i < $n;) {
            $word = $t[$i]->text;
            if ($run !== null && in_array($word, ['extension', 'ext', 'x', 'extn'], true)) {
                $skip = $i + 1;
                while (isset($t[$skip]) && ($part = $this->spelling->digits($t, $skip, true)) !== null) {
                    $skip += $part[1];
                }
                $i = $skip;

                continue;
            }
            if (($word === '+' || $word === 'plus') && $this->spelling->digits($t, $i + 1, true) !== null && ($run === null || $run['digits'] === '')) {
                $run = ['digits' => '+', 'from' => $t[$i]->start, 'to' => $t[$i]->end];
                $i++;

                continue;
            }
            $part = $this->spelling->digits($t, $i, $run !== null);
            // 'F H eight three one. Oh and …' is a code, and the oh no nought.
            if ($part !== null && ($run === null && $i > 0 && $t[$i - 1]->isLetter() && $t[$i - 1]->text !== 'o' && ! $asked || $word === 'oh' && $t[$i]->afterSentence() && ($t[$i + 1] ?? null) !== null && $this->spelling->digits($t, $i + 1, true) === null)) {
                $gap++;
                $i += $part[1];
                $runs = $run === null ? $runs : [...$runs, $run];
                $run = null;

                continue;
            }
            if ($part !== null && $word === 'o' && $run === null && ! isset($t[$i + 1])) {
                $part = null;
            }
            if ($part !== null) {
                $run ??= ['digits' => '', 'from' => $t[$i]->start, 'to' => 0];
                $run['digits'] .= $part[0];
                $run['to'] = $t[$i + $part[1] - 1]->end;
                $i += $part[1];
                $gap = 0;

                continue;
            }
            $gap++;
            $joins = in_array($word, ['and', 'then', 'so', 'dash', 'hyphen', 'area', 'code', 'the', "that's", 'thats', 'is', 'space', 'well', 'okay', 'ok', 'right', 'followed', 'by', '-', '/', 'yeah', 'number', 'for', 'london', 'a', 'got', 'that', 'last', 'part', 'rest', 'dot'], true);
            if ($run !== null && (! $joins || $gap > 5)) {
                $runs[] = $run;
                $run = null;
            }
            $i++;
        }
        if ($run !== null) {
            $runs[] = $run;
        }

        return $runs;
    }

    /**
     * @param non-empty-list<array{digits: string, from: int, to: int}> $runs
     *
     * @return array{digits: string, from: int, to: int}
     */
    private function together(array $runs, Context $context): array
    {
        $digits = implode('', array_column($runs, 'digits'));
        // Where nobody has asked for a number, figures with other words between them are several things.
        if (count($runs) > 1 && $context->asked && $this->parse($digits, $context) !== null) {
            return ['digits' => $digits, 'from' => $runs[0]['from'], 'to' => $runs[count($runs) - 1]['to']];
        }
        usort($runs, static fn (array $a, array $b): int => strlen($b['digits']) <=> strlen($a['digits']));

        return $runs[0];
    }

    /** @return array{string, ?PhoneNumber} the digits so far and the number they make */
    private function replaced(string $earlier, ?PhoneNumber $number, string $new, Context $context): array
    {
        $whole = $this->parse($new, $context);
        if ($whole !== null || $earlier === '') {
            return [$new, $whole];
        }
        if ($number === null && ($joined = $this->parse($earlier.$new, $context)) !== null) {
            return [$earlier.$new, $joined];
        }
        $country = $this->parse($earlier, $context)?->country;
        for ($cut = 1; $cut <= strlen($earlier); $cut++) {
            $candidate = substr($earlier, 0, -$cut).$new;
            $parsed = $this->parse($candidate, $context);
            // Its end is put right, not the country it is in.
            if ($parsed !== null && ($country === null || $parsed->country === $country)) {
                return [$candidate, $parsed];
            }
        }

        return [strlen($new) >= strlen($earlier) ? $new : $earlier, null];
    }

    private function parse(string $digits, Context $context): ?PhoneNumber
    {
        if (strlen($digits) < 6) {
            return null;
        }
        $number = $this->plan->parse($digits, $context->country);

        return $number?->valid === true ? $number : null;
    }
}
