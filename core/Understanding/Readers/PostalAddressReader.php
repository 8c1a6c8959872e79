<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Numerals;
use Ringo\Understanding\Reader;
use Ringo\Understanding\Readers\Addresses\AddressEnd;
use Ringo\Understanding\Readers\Addresses\HouseNumber;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Repairs;

/**
 * Reads a postal address of one line: house, street, town and postcode.
 *
 * A postcode (GB) or a state and ZIP code (US) is checked for its form and written as the post writes it.
 */
final readonly class PostalAddressReader implements Reader
{
    private Numerals $numerals;

    private HouseNumber $numbers;

    private AddressEnd $end;

    private PostalCode $codes;

    private Repairs $repairs;

    public function __construct(private Vocabulary $words)
    {
        $this->numerals = new Numerals($words);
        $this->numbers = new HouseNumber($words);
        $this->end = new AddressEnd($words, $this->numbers);
        $this->codes = new PostalCode($words);
        $this->repairs = new Repairs($words);
    }

    public function read(Heard $heard, Context $context): Reading
    {
        $lines = null;
        $from = PHP_INT_MAX;
        $to = 0;
        foreach ($this->repairs->stretches($heard->tokens) as $stretch) {
            if ($stretch['restart']) {
                [$lines, $from] = [null, PHP_INT_MAX];
            }
            $t = $this->repairs->withoutDenied($stretch['tokens']);
            $found = $this->lines($t, $context, $lines !== null);
            if ($found === null) {
                continue;
            }
            $from = min($from, $found['from']);
            $to = max($to, $found['to']);
            $lines = $lines === null ? $found['lines'] : $this->replaced($lines, $found['lines']);
        }
        if ($lines === null || ! $this->whole($lines, $context)) {
            return Reading::none($lines === null ? null : 'that is only part of an address');
        }
        $confidence = 0.66 + ($lines['code'] !== '' ? 0.14 : 0.0) + ($lines['town'] !== '' ? 0.06 : 0.0) + (preg_match('/^\d|^(?:Flat|Unit)/', $lines['street']) === 1 ? 0.06 : 0.0);

        return Reading::of($this->joined($lines), $confidence, $heard->between($from, $to), $from, $to);
    }

    /**
     * @param list<Token> $t
     *
     * @return array{lines: array{street: string, town: string, code: string}, from: int, to: int}|null
     */
    private function lines(array $t, Context $context, bool $repair): ?array
    {
        $start = 0;
        $intro = $this->words->phrases('address', 'intro');
        foreach ($intro->all($t) as [$phrase, $place, $length]) {
            if ($place > 0 && in_array($phrase, ['at', 'to', 'address', 'no', "it's", 'its', 'it is'], true) && $this->hasStreet(array_slice($t, 0, $place))) {
                continue;
            }
            if (in_array($phrase, ['from', 'off'], true) && $place > 0) {
                continue;
            }
            if (in_array($phrase, ['the postcode is', 'postcode', 'post code', 'zip', 'zip code', "that's", 'that is'], true) && $place > 0) {
                continue;
            }
            $start = max($start, $place + $length);
        }
        $soft = $this->words->phrases('talk', 'soft');
        $hedges = $this->words->phrases('extraction', 'hedges');
        while (isset($t[$start]) && ($hit = $soft->at($t, $start) ?? $hedges->at($t, $start)) !== null) {
            $start += $hit[1];
        }
        $t = $this->end->withoutLead(array_values(array_slice($t, $start)));
        if ($t === []) {
            return null;
        }
        for ($i = count($t) - 1; $i > 0; $i--) {
            // 'She's always in. 11 Church View': the sentence that names a street, not the one before it.
            if (preg_match('/[.?!]\s/', $t[$i]->gap) === 1 && $this->numbers->at($t, $i) !== null && $this->hasStreet(array_slice($t, $i)) && ! $this->hasStreet(array_slice($t, 0, $i))) {
                $t = array_slice($t, $i);

                break;
            }
        }
        [$code, $codeFrom, $codeTo] = $this->codes->in($t, $context);
        $before = $codeFrom === null ? $t : array_slice($t, 0, $codeFrom);
        while ($before !== [] && in_array(end($before)->text, ['postcode', "postcode's", 'code', "code's", 'post', 'is', 'the', 'zip', "that's", 'and', 'its', "it's"], true)) {
            array_pop($before);
        }
        $before = $this->end->cut($before);
        $parts = $this->parts($before);
        if ($parts === [] && $code === '') {
            return null;
        }
        if (count($parts) > 1 && preg_match('/^(?:our|my|her|his|their) /i', $parts[0]['text']) === 1 && array_filter(array_slice($parts, 1), static fn (array $part): bool => $part['numbered']) !== []) {
            // 'Our offices, 3 Assembly Square'
            array_shift($parts);
        } elseif (count($parts) > 1 && preg_match('/^an? /i', $parts[0]['text']) === 1 && ! $parts[0]['numbered'] && array_filter(array_slice($parts, 1), static fn (array $part): bool => $part['street']) !== []) {
            // 'A new build on Orchard Way'
            array_shift($parts);
        }
        $street = [];
        $town = [];
        $seen = false;
        foreach ($parts as $part) {
            if ($seen) {
                $town[] = $part['text'];

                continue;
            }
            $street[] = $part['text'];
            $seen = $part['street'] || $part['numbered'] && ! $this->aheadStreet($parts, $part);
        }
        if (! $seen && ! $repair && $code === '') {
            return null;
        }
        if (! $seen && $street !== [] && count($street) > 1) {
            $town[] = array_pop($street);
        } elseif (! $seen && $repair) {
            $town = $street;
            $street = [];
        }
        $last = $codeTo !== null ? $t[$codeTo] : (end($before) ?: $t[0]);

        return ['lines' => ['street' => implode(', ', $street), 'town' => implode(', ', $town), 'code' => $code], 'from' => $t[0]->start, 'to' => $last->end];
    }

    /**
     * @param list<array{text: string, street: bool, numbered: bool}> $parts
     * @param array{text: string, street: bool, numbered: bool} $part
     */
    private function aheadStreet(array $parts, array $part): bool
    {
        $after = false;
        foreach ($parts as $one) {
            if ($after && $one['street']) {
                return true;
            }
            $after = $after || $one === $part;
        }

        return false;
    }

    /**
     * Cuts the words into lines: at commas, and behind a street's kind.
     *
     * @param list<Token> $t
     *
     * @return list<array{text: string, street: bool, numbered: bool}>
     */
    private function parts(array $t): array
    {
        $kinds = $this->words->phrases('address', 'streets');
        /** @var list<array{text: string, street: bool, numbered: bool}> $parts */
        $parts = [];
        /** @var list<string> $current */
        $current = [];
        $numbered = false;
        /** @var \Closure(bool): void $flush */
        $flush = static function (bool $street) use (&$parts, &$current, &$numbered): void {
            if (count($current) > 0) {
                $parts[] = ['text' => implode(' ', $current), 'street' => $street, 'numbered' => $numbered];
            }
            $current = [];
            $numbered = false;
        };
        for ($i = 0, $n = count($t); $i < $n;) {
            if ($current !== [] && $t[$i]->afterBreak()) {
                // '14, Mill Lane' is one line.
                if (! (count($current) === 1 && preg_match('/^\d+[A-Z]?$/', $current[0]) === 1)) {
                    $flush(false);
                }
            }
            $word = $t[$i]->text;
            if (in_array($word, ['number', 'no'], true) && $this->numbers->at($t, $i + 1) !== null && ! $this->afterUnit($t, $i)) {
                $i++;

                continue;
            }
            if ($current === [] && in_array($word, ['in', 'near', 'and', 'at', 'on', 'the', 'a', 'then', 'off', "that's", 'thats', 'that', "it's", 'its', 'is', 'which', 'so', "there's", 'over'], true) && count($parts) > 0) {
                $i++;

                continue;
            }
            if ($current !== [] && ! $numbered && in_array($word, ['on', 'off'], true) && $this->hasStreet(array_slice($t, $i + 1, 4)) && ! $t[$i]->afterBreak()) {
                // 'The Coach and Horses on Bridge Street'
                $flush(false);
                $i++;

                continue;
            }
            $number = $this->numbers->at($t, $i);
            if ($number !== null) {
                $current[] = $number[0];
                $numbered = true;
                $i += $number[1];
                // 'Flat 3 14 Mill Lane': a second number begins the house.
                if (isset($t[$i]) && $this->numbers->at($t, $i) !== null && count($current) === 2 && in_array(strtolower($current[0]), $this->words->section('address', 'units'), true) && ! in_array(strtolower($t[$i]->text), ['floor'], true)) {
                    $flush(false);
                }

                continue;
            }
            $ordinal = $this->numerals->ordinal($t, $i);
            if ($ordinal !== null && $kinds->at($t, $i + $ordinal->length) !== null) {
                $current[] = $ordinal->whole().$this->suffix($ordinal->whole());
                $i += $ordinal->length;

                continue;
            }
            $kind = $current === [] && $word !== 'high' ? null : $kinds->at($t, $i);
            $goesOn = $kind !== null && isset($t[$i + $kind[1]]) && ! $t[$i + $kind[1]]->afterBreak() && $kinds->at($t, $i + $kind[1]) !== null;
            if ($kind !== null && $current !== [] && ! $goesOn && ! (count($current) === 1 && $numbered && $kind[1] === 1 && ! in_array($word, ['broadway', 'esplanade', 'promenade', 'embankment'], true)) && ! (in_array($word, ['st'], true) && isset($t[$i + 1]) && count($current) === 1 && $numbered)) {
                for ($k = 0; $k < $kind[1]; $k++) {
                    $current[] = $this->cased($t[$i + $k]->text, false);
                }
                $i += $kind[1];
                // 'Mill Lane North'
                if (isset($t[$i]) && in_array($t[$i]->text, ['north', 'south', 'east', 'west'], true) && (! isset($t[$i + 1]) || $t[$i + 1]->afterBreak())) {
                    $current[] = $this->cased($t[$i]->text, false);
                    $i++;
                }
                $flush(true);

                continue;
            }
            if ($current !== [] && $t[$i]->gap === '-') {
                $current[count($current) - 1] .= '-'.$this->cased($word, true);
            } else {
                $current[] = $this->cased($word, $current !== [] && ! (count($current) === 1 && $numbered));
            }
            $i++;
        }
        $flush(false);

        return array_values(array_filter($parts, static fn (array $part): bool => ! in_array(strtolower($part['text']), ['the', 'so', 'postcode', 'the postcode', 'just'], true)));
    }

    /** @param list<Token> $t */
    private function afterUnit(array $t, int $i): bool
    {
        return in_array($t[$i - 1]->text ?? '', $this->words->section('address', 'units'), true);
    }

    /** @param list<Token> $t */
    private function hasStreet(array $t): bool
    {
        return $this->words->phrases('address', 'streets')->in($t);
    }

    /** @param array{street: string, town: string, code: string} $lines */
    private function whole(array $lines, Context $context): bool
    {
        $kind = preg_match('/\b(?:'.implode('|', array_map(preg_quote(...), $this->words->section('address', 'streets'))).')\b/i', $lines['street']) === 1;
        $number = preg_match('/\d/', $lines['street']) === 1;
        if (! $context->asked) {
            // 'At quarter to five tomorrow morning from the Old Mill Hotel' is no house number five.
            return preg_match('/\b(?:'.implode('|', array_map(preg_quote(...), $this->words->section('address', 'of_a_time'))).')\b/i', $lines['street']) !== 1 && $number && $kind && ($lines['town'] !== '' || $lines['code'] !== '');
        }

        // 'Hillside Sixth Form, Dean Road' is found by its name.
        $named = $kind && preg_match('/^\S+(?: \S+)+, /', $lines['street']) === 1;

        return $named || $kind && ($number || $lines['town'] !== '' || $lines['code'] !== '') || $number && ($lines['code'] !== '' || $lines['town'] !== '') || $lines['street'] !== '' && $lines['code'] !== '' && $lines['town'] !== '';
    }

    /**
     * @param array{street: string, town: string, code: string} $old
     * @param array{street: string, town: string, code: string} $new
     *
     * @return array{street: string, town: string, code: string}
     */
    private function replaced(array $old, array $new): array
    {
        // 'number 16, not 14' replaces the house number alone.
        if (preg_match('/^\d+[A-Z]?$/', $new['street']) === 1 && $new['town'] === '') {
            $new['street'] = (string) preg_replace('/^\d+[A-Z]?/', $new['street'], $old['street']);
        } elseif ($new['street'] !== '' && preg_match('/^\d/', $new['street']) !== 1 && preg_match('/^(\d+[A-Z]?) /', $old['street'], $m) === 1) {
            $new['street'] = $m[1].' '.$new['street'];
        }

        return [
            'street' => $new['street'] !== '' ? $new['street'] : $old['street'],
            'town' => $new['town'] !== '' ? $new['town'] : $old['town'],
            'code' => $new['code'] !== '' ? $new['code'] : $old['code'],
        ];
    }

    /** @param array{street: string, town: string, code: string} $lines */
    private function joined(array $lines): string
    {
        return implode(', ', array_filter([$lines['street'], $lines['town'], $lines['code']], static fn (string $line): bool => $line !== ''));
    }

    private function cased(string $word, bool $inner): string
    {
        if ($inner && in_array($word, $this->words->section('address', 'minor'), true)) {
            return $word;
        }
        $cased = mb_convert_case($word, MB_CASE_TITLE);

        return (string) preg_replace_callback("/^(O'|D'|Mc)(\\p{Ll})/u", static fn (array $m): string => $m[1].mb_strtoupper($m[2]), (string) preg_replace("/'S\b/u", "'s", $cased));
    }

    private function suffix(int $n): string
    {
        return match (true) {
            $n % 100 >= 11 && $n % 100 <= 13 => 'th',
            $n % 10 === 1 => 'st', $n % 10 === 2 => 'nd', $n % 10 === 3 => 'rd',
            default => 'th',
        };
    }
}
