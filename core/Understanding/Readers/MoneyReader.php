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

/** Reads an amount of money: '£249.50', 'forty quid', 'a pound fifty', 'nineteen ninety nine', 'two and a half grand'. */
final readonly class MoneyReader implements Reader
{
    private Numerals $numerals;

    private Repairs $repairs;

    /** @var array<string, string> */
    private array $currencies;

    /** From here on 'one twenty' puts a sum right by a hundred and twenty. */
    private const NO_SMALL_SUM = 50.0;

    /** Sums are of one size up to so many times each other. */
    private const SAME_SIZE = 5.0;

    /** How sure the highest of several is, where a limit was asked for: it is read back. */
    private const OF_SEVERAL = 0.65;

    public function __construct(private Vocabulary $words)
    {
        $this->numerals = new Numerals($words);
        $this->repairs = new Repairs($words);
        $this->currencies = $words->section('units', 'currencies');
    }

    public function read(Heard $heard, Context $context): Reading
    {
        $home = $this->words->section('units', 'country_currency')[$context->country] ?? 'USD';
        $best = null;
        $currency = null;
        $doubt = null;
        foreach ($this->repairs->stretches($heard->tokens, true) as $stretch) {
            if ($stretch['restart']) {
                $best = $doubt = $currency = null;
            }
            // 'Not more than forty' denies nothing, where a limit is asked for.
            $limits = $context->most ? 'up_to' : ($context->least ? 'from_up' : null);
            $t = $limits !== null ? $this->words->phrases('numbers', $limits)->without($stretch['tokens']) : $stretch['tokens'];
            $t = $this->repairs->withoutDenied($t);
            $vague = $this->vague($t);
            $t = $this->words->phrases('talk', 'about')->without($t);
            $found = $this->amounts($t, $context);
            if ($found === [] && $vague === null) {
                continue;
            }
            $values = array_unique(array_map(static fn (array $amount): string => sprintf('%.2f', $amount[0]), $found));
            $several = $vague !== null || count($values) > 1;
            // 'Three hundred, three fifty tops' is a limit of three hundred and fifty.
            if ($several && $limits !== null && ($vague === null || count($values) > 1 || preg_match('/bound|choice/', $vague) === 1) && $found !== []) {
                $found = $context->most ? $this->highestFirst($found) : array_reverse($this->highestFirst($found));
            } elseif ($several) {
                $doubt = $vague ?? 'more than one amount was named';
                $best = null;

                continue;
            }
            $doubt = null;
            [$amount, $unit, $from, $to] = $found[0];
            // Where they have dollars of their own, those are meant.
            $unit = $unit === 'USD' && in_array($home, ['AUD', 'CAD', 'NZD', 'SGD', 'HKD'], true) && preg_match('/\bus\b|\busd\b|american/i', $heard->cleaned()) !== 1 ? $home : $unit;
            $currency = $unit ?? $currency ?? $home;
            $amount = round($unit === null && $best !== null ? $this->asLarge($amount, (float) $best->value['amount']) : $amount, 2);
            $best = Reading::of(
                ['amount' => floor($amount) === $amount ? (int) $amount : $amount, 'currency' => $currency],
                $several ? self::OF_SEVERAL : 0.6 + 0.36 * $heard->explained($t[$from]->start, $t[$to]->end, $this->words) - ($unit === null ? 0.06 : 0.0),
                $heard->between($t[$from]->start, $t[$to]->end),
                $t[$from]->start,
                $t[$to]->end,
            );
        }

        return $best ?? Reading::none($doubt);
    }

    /**
     * @param non-empty-list<array{float, ?string, int, int}> $found
     *
     * @return non-empty-list<array{float, ?string, int, int}> the three fifty beside three hundred is no three pounds fifty
     */
    private function highestFirst(array $found): array
    {
        $most = max(array_column($found, 0));
        foreach ($found as $n => $amount) {
            $found[$n][0] = $amount[1] === null ? $this->asLarge($amount[0], $most) : $amount[0];
        }
        usort($found, static fn (array $a, array $b): int => $b[0] <=> $a[0]);

        return $found;
    }

    /** 'A hundred, no, make it one twenty' makes it a hundred and twenty: what puts right is of the size of what it puts right. */
    private function asLarge(float $amount, float $before): float
    {
        $hundredfold = $amount * 100;

        return floor($amount) !== $amount && $before >= self::NO_SMALL_SUM && $hundredfold <= $before * self::SAME_SIZE && $amount * self::SAME_SIZE < $before
            ? $hundredfold
            : $amount;
    }

    /**
     * @param list<Token> $t
     *
     * @return list<array{float, ?string, int, int}> amount, currency where said, first and last token
     */
    private function amounts(array $t, Context $context): array
    {
        $found = [];
        $odd = -1;
        for ($i = 0, $n = count($t); $i < $n;) {
            $hit = $this->note($t, $i) ?? $this->amount($t, $i, $context);
            if ($hit !== null && $hit[1] === null && $i <= $odd) {
                $odd = $i += $hit[2];
            } elseif ($hit !== null) {
                $found[] = [$hit[0], $hit[1], $i, $i + $hit[2] - 1];
                $i += $hit[2];
            } else {
                // Of figures that make no sum together the last is not taken for one: 'two hundred and twelve five'.
                $number = $t[$i]->text === 'one' ? null : $this->numerals->cardinal($t, $i);
                $odd = $number === null || $number->length === 1 ? $odd : max($odd, $i + $number->length);
                $i++;
            }
        }
        $named = array_values(array_filter($found, static fn (array $amount): bool => $amount[1] !== null));
        if ($named !== []) {
            return $named;
        }

        return $context->asked ? $found : [];
    }

    /**
     * @param list<Token> $t 'a tenner', 'two grand'
     *
     * @return array{float, ?string, int}|null
     */
    private function note(array $t, int $i): ?array
    {
        $notes = $this->words->section('units', 'notes');
        $number = in_array($t[$i]->text, ['an', 'a'], true) ? null : $this->numerals->at($t, $i);
        $length = $number->length ?? (in_array($t[$i]->text, ['an', 'a'], true) ? 1 : 0);
        $note = $notes[$t[$i + $length]->text ?? ''] ?? null;
        if ($note === null || $t[$i + $length]->text === 'grand' && $length === 0) {
            return null;
        }

        return [($number->value ?? 1.0) * $note[0], $note[1], $length + 1];
    }

    /**
     * @param list<Token> $t
     *
     * @return array{float, ?string, int}|null
     */
    private function amount(array $t, int $i, Context $context): ?array
    {
        // '£40', '£1.2 million', '£1.5k', 'GBP 40'
        $sign = $this->currencies[$t[$i]->text] ?? null;
        if ($sign !== null && (! ctype_alpha($t[$i]->text) || strlen($t[$i]->text) === 3)) {
            $number = isset($t[$i + 1]) ? $this->numerals->at($t, $i + 1) : null;
            if ($number === null) {
                return null;
            }
            $end = $i + 1 + $number->length;
            $pence = $this->pence($t, $end, $number->value);

            return [$number->value + $pence[0], $sign, 1 + $number->length + $pence[1] + $this->unitAt($t, $end + $pence[1])[1]];
        }
        if (in_array($t[$i]->text, ['an', 'a', 'one'], true) && ($unit = $this->unitAt($t, $i + 1))[1] > 0) {
            return $this->afterUnit($t, $i, 1.0, $unit, 1);
        }
        // 'half a pound' and the like are rare and doubtful; 'half a million' is read by the numerals.
        [$chunks, $chunkLength, $written] = $this->numerals->chunks($t, $i);
        $number = $this->numerals->at($t, $i);
        if ($number === null || $number->value < 0) {
            return null;
        }
        // 'fifty pence', '99p'
        if (($cents = $this->centsAt($t, $i + $number->length)) !== null) {
            return [$number->value / 100, $cents[0] ?? ($context->country === 'US' ? 'USD' : null), $number->length + $cents[1]];
        }
        if (($unit = $this->unitAt($t, $i + $number->length))[1] > 0) {
            return $this->afterUnit($t, $i, $number->value, $unit, $number->length);
        }
        if (count($chunks) > 1 && $chunkLength > $number->length) {
            $unit = $this->unitAt($t, $i + $chunkLength);
            $joined = $this->joined($chunks);
            if ($unit[1] > 0 && $joined !== null) {
                return $this->afterUnit($t, $i, (float) $joined, $unit, $chunkLength);
            }
            // The last pair is pence or cents: 'nineteen ninety nine', 'two fifty', 'twelve oh five'
            $last = array_pop($chunks);
            $oh = $last < 10 && end($chunks) === 0 && count($chunks) > 1;
            if ($oh) {
                array_pop($chunks);
            }
            $whole = count($chunks) === 1 ? $chunks[0] : $this->joined($chunks);
            if ($whole !== null && ($oh || $last >= 10 && $last <= 99 || strlen((string) end($written)) === 2)) {
                return [$whole + $last / 100, null, $chunkLength];
            }

            return null;
        }
        // A number that counts something else is no price: 'three weeks'.
        $next = $t[$i + $number->length]->text ?? '';
        if (isset($this->words->section('units', 'durations')[$next]) || in_array($next, ['people', 'percent', '%', 'of', "o'clock", 'am', 'pm', 'st', 'nd', 'rd', 'th', 'times'], true)) {
            return null;
        }
        if ($t[$i]->text === 'one' && $number->length === 1 && $i > 0 && ! $t[$i]->afterBreak()) {
            return null;
        }

        return [$number->value, null, $number->length];
    }

    /**
     * @param list<Token> $t
     * @param array{?string, int} $unit
     *
     * @return array{float, ?string, int}
     */
    private function afterUnit(array $t, int $i, float $value, array $unit, int $length): array
    {
        $end = $i + $length + $unit[1];
        $pence = $this->pence($t, $end, $value);
        // 'three pounds and a half' is said of pounds too
        if ($pence[1] === 0 && ($t[$end]->text ?? '') === 'and' && ($part = $this->numerals->at($t, $end + 1)) !== null && $part->value < 1 && $part->value > 0) {
            $pence = [$part->value, 1 + $part->length];
        }

        return [$value + $pence[0], $unit[0], $length + $unit[1] + $pence[1]];
    }

    /**
     * @param list<Token> $t pence after the pounds: 'fifty', 'and fifty pence'
     *
     * @return array{float, int}
     */
    private function pence(array $t, int $at, float $pounds): array
    {
        $and = ($t[$at]->text ?? '') === 'and' ? 1 : 0;
        if (! isset($t[$at + $and]) || ($t[$at]->afterBreak() && $and === 0) || floor($pounds) !== $pounds) {
            return [0.0, 0];
        }
        $skip = in_array($t[$at + $and]->text, ['oh', 'o', 'zero'], true) ? 1 : 0;
        $number = isset($t[$at + $and + $skip]) ? $this->numerals->cardinal($t, $at + $and + $skip) : null;
        if ($number === null || ! $number->isWhole() || $number->value < 1 || $number->value > 99) {
            return [0.0, 0];
        }
        $end = $at + $and + $skip + $number->length;
        $cents = $this->centsAt($t, $end);
        $next = $t[$end]->text ?? '';
        if ($cents === null && ($and === 1 || $number->value < 10 && $skip === 0 && $number->written !== '0'.$number->whole() || isset($this->words->section('units', 'durations')[$next]) || in_array($next, ['people', 'hundred', 'thousand', 'of'], true))) {
            return [0.0, 0];
        }

        return [$number->value / 100, $and + $skip + $number->length + ($cents[1] ?? 0)];
    }

    /**
     * @param list<Token> $t
     *
     * @return array{?string, int}
     */
    private function unitAt(array $t, int $at): array
    {
        $hit = $this->words->phrases('units', 'currencies')->at($t, $at);

        return $hit === null ? [null, 0] : [$hit[0], $hit[1]];
    }

    /**
     * @param list<Token> $t
     *
     * @return array{?string, int}|null
     */
    private function centsAt(array $t, int $at): ?array
    {
        $cents = $this->words->section('units', 'cents');
        $word = $t[$at]->text ?? '';
        if (! array_key_exists($word, $cents) || $word === '') {
            return null;
        }

        return [$cents[$word], 1];
    }

    /** @param list<int> $chunks */
    private function joined(array $chunks): ?int
    {
        $digits = '';
        foreach ($chunks as $chunk) {
            if ($chunk > 99) {
                return null;
            }
            $digits .= $chunk;
        }

        return strlen($digits) <= 7 ? (int) $digits : null;
    }

    /** @param list<Token> $t */
    private function vague(array $t): ?string
    {
        $line = ' '.implode(' ', array_map(static fn (Token $token): string => $token->text, $t)).' ';
        if (($bound = $this->numerals->bound($t)) !== null) {
            return "“{$bound}” is not an exact amount";
        }
        foreach (['a few', 'several', 'hundreds', 'thousands', 'figures', 'figure'] as $phrase) {
            if (str_contains($line, " {$phrase} ")) {
                return "“{$phrase}” is not an exact amount";
            }
        }
        if (preg_match('/ (?:max|maximum|tops|at most|at the most|at least|or more|or less|minimum) $/', str_replace('more or less', '', $line)) === 1) {
            return 'that is a bound, not an exact amount';
        }
        if (preg_match('/ (?:\S+) (?:odd|something) | plus $/', $line) === 1 || preg_match('/ between .* and | from .*\d.* to /', $line) === 1) {
            return 'that is not an exact amount';
        }
        for ($i = 1, $n = count($t); $i < $n - 1; $i++) {
            if (in_array($t[$i]->text, ['or', 'to'], true)) {
                $after = $this->numerals->at($t, $i + 1 + (isset($this->currencies[$t[$i + 1]->text]) ? 1 : 0));
                $before = array_slice($t, max(0, $i - 4), min($i, 4));
                if ($after !== null && array_filter(array_keys($before), fn (int $k): bool => $this->numerals->at($before, $k) !== null) !== []) {
                    return 'that is a range or a choice of amounts';
                }
            }
        }

        return null;
    }
}
