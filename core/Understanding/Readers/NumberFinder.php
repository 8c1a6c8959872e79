<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Numerals;
use Ringo\Understanding\Spelling;

/** Finds the numbers that stand in words, whatever they count: 'a couple of dozen', 'six double oh', 'two metres ten', 'the second', 'none'. */
final readonly class NumberFinder
{
    /** Words between an 'if' or a 'not' and the 'one' it ends with. */
    private const SUPPOSED_WITHIN = 5;

    /** Words of one letter, a nought, and the sign between two measures. */
    private const LETTERS_THAT_ARE_WORDS = ['a', 'i', 'o', 'x'];

    private Spelling $spelling;

    /** @var array<string, string> */
    private array $alphabet;

    public function __construct(private Vocabulary $words, private Numerals $numerals)
    {
        $this->alphabet = $words->section('letters', 'alphabet');
        $this->spelling = new Spelling($words);
    }

    /**
     * @param list<Token> $t
     *
     * @return list<array{int|float, int, int}>
     */
    public function all(array $t): array
    {
        $found = [];
        $alone = count($t) === 1;
        for ($i = 0, $n = count($t); $i < $n;) {
            $measured = $this->measured($t, $i);
            if ($measured !== null) {
                $found[] = [$measured[0], $i, $i + $measured[1] - 1];
                $i += $measured[1];

                continue;
            }
            // 'Oh yes, the old machine'
            if (in_array($t[$i]->text, ['oh', 'o'], true) && ! $alone && $this->numerals->cardinal($t, $i + 1) === null) {
                $i++;

                continue;
            }
            // 'six double oh', 'double five'
            $digits = $this->digits($t, $i);
            if ($digits !== null) {
                $found[] = [(int) $digits[0], $i, $i + $digits[1] - 1];
                $i += $digits[1];

                continue;
            }
            [$chunks, $length] = $this->numerals->chunks($t, $i);
            $single = $this->numerals->at($t, $i);
            $ordinal = $this->numerals->ordinal($t, $i);
            // 'The twenty eighth' is no twenty.
            if ($single !== null && $ordinal !== null && $ordinal->length > $single->length) {
                $i += $ordinal->length;

                continue;
            }
            if (count($chunks) > 1 && ($single === null || $length > $single->length) && ($joined = $this->joined($chunks)) !== null) {
                $found[] = [$joined, $i, $i + $length - 1];
                $i += $length;

                continue;
            }
            // 'one' as a pronoun: 'the big one', 'that one', 'if you've got one'
            if ($single !== null && ! ($t[$i]->text === 'one' && $this->supposed($t, $i)) && ! ($t[$i]->text === 'one' && $single->length === 1 && $i > 0 && ! $t[$i]->afterBreak() && ! in_array($t[$i - 1]->text, ['just', 'only', 'is', 'for', 'of', 'number', "it's", "that's", 'say', 'the', 'and', 'need', 'want', 'be', 'got', 'have', 'with', 'at', 'a', 'seen', 'saw', 'had', 'found', 'lost', 'bought', 'take', 'keep'], true))) {
                if ($t[$i]->text !== 'second') {
                    $found[] = [$single->plain(), $i, $i + $single->length - 1];
                }
                $i += $single->length;

                continue;
            }
            $i++;
        }

        return array_values(array_filter($found, fn (array $one): bool => ! $this->ofACode($t, $one[1], $one[2])));
    }

    /**
     * The figures of 'WX seventeen B N D' and 'C four two oh seven' count nothing.
     *
     * @param list<Token> $t
     */
    private function ofACode(array $t, int $from, int $to): bool
    {
        $letter = static fn (?Token $one): bool => $one !== null && strlen($one->text) === 1 && ctype_alpha($one->text) && ! in_array($one->text, self::LETTERS_THAT_ARE_WORDS, true);
        $spelled = fn (?Token $one): bool => $letter($one) || isset($this->alphabet[$one->text ?? '']);
        $before = $t[$from]->afterBreak() ? null : $t[$from - 1] ?? null;
        [$next, $second] = [$t[$to + 1] ?? null, $t[$to + 2] ?? null];
        $plate = $before !== null && preg_match('/^[B-HJ-Z][A-Z]$/', $before->original) === 1 && ! in_array($before->text, ['pm', 'tv', 'ok'], true) && ($next === null || $letter($next));

        return $plate || $letter($before) && $to > $from || $spelled($before) && $spelled($t[$from - 2] ?? null) || $spelled($next) && $spelled($second);
    }

    /**
     * Whether a clause that supposes or denies something ends here: 'if you've got one', 'I haven't got one'.
     *
     * @param list<Token> $t
     */
    private function supposed(array $t, int $i): bool
    {
        if (isset($t[$i + 1]) && ! $t[$i + 1]->afterBreak()) {
            return false;
        }
        for ($j = $i; $j > max(0, $i - self::SUPPOSED_WITHIN) && ! $t[$j]->afterBreak(); $j--) {
            if (in_array($t[$j - 1]->text, ['if', 'unless', 'whether', 'not', 'never', 'without'], true) || str_ends_with($t[$j - 1]->text, "n't")) {
                return true;
            }
        }

        return false;
    }

    /**
     * 'An inch and a half', 'two metres ten', 'a couple of dozen'.
     *
     * @param list<Token> $t
     *
     * @return array{float|int, int}|null value, tokens
     */
    private function measured(array $t, int $i): ?array
    {
        $words = array_map(static fn (Token $token): string => $token->text, array_slice($t, $i, 5));
        if (
            in_array($words[0], ['a', 'an', 'one'], true)
            && array_slice($words, 2, 3) === ['and', 'a', 'half']
            && ! isset($this->words->section('numbers', 'collective')[$words[1]])
        ) {
            return [1.5, 5];
        }
        if (array_slice($words, 0, 4) === ['a', 'couple', 'of', 'dozen']) {
            return [2 * $this->words->section('numbers', 'collective')['dozen'], 4];
        }
        $whole = $this->numerals->at($t, $i);
        $unit = $whole === null ? null : ($t[$i + $whole->length]->text ?? null);
        $rest = $whole === null || ! in_array($unit, ['metre', 'metres', 'meter', 'meters'], true) ? null : $this->numerals->at($t, $i + $whole->length + 1);
        if ($whole === null || $rest === null || ! $rest->isWhole() || $rest->whole() < 10 || $rest->whole() > 99) {
            return null;
        }

        return [$whole->plain() + $rest->whole() / 100, $whole->length + 1 + $rest->length];
    }

    /**
     * @param list<Token> $t 'the second', 'ground floor'
     *
     * @return list<array{int|float, int, int}>
     */
    public function nth(array $t): array
    {
        $found = [];
        $named = $this->words->section('numbers', 'nth');
        for ($i = 0, $n = count($t); $i < $n; $i++) {
            $ordinal = $this->numerals->ordinal($t, $i);
            if ($ordinal !== null) {
                $found[] = [$ordinal->whole(), $i, $i + $ordinal->length - 1];
                $i += $ordinal->length - 1;
            } elseif (isset($named[$t[$i]->text])) {
                $found[] = [$named[$t[$i]->text], $i, $i];
            }
        }

        return $found;
    }

    /**
     * @param list<Token> $t 'none', 'both', or an ordinal where nothing else is said
     *
     * @return list<array{int|float, int, int}>
     */
    public function lone(array $t): array
    {
        $lone = $this->words->section('numbers', 'lone');
        foreach ($t as $i => $token) {
            // 'None, well, my dad took me round a car park'
            $apart = $i === 0 && ($t[1] ?? null)?->afterBreak() === true;
            if (isset($lone[$token->text]) && (count($t) <= 6 || $apart)) {
                return [[$lone[$token->text], $i, $i]];
            }
            // 'just me', 'only myself'
            if (in_array($token->text, ['just', 'only'], true) && in_array($t[$i + 1]->text ?? '', ['me', 'myself', 'him', 'her', 'it'], true) && ! isset($t[$i + 2])) {
                return [[1, $i, $i + 1]];
            }
            if (in_array($token->text, ['zero', 'nought', 'nil', 'zilch', 'naught'], true)) {
                return [[0, $i, $i]];
            }
        }

        return [];
    }

    /**
     * Digits one by one where some are doubled.
     *
     * @param list<Token> $t
     *
     * @return array{string, int}|null
     */
    private function digits(array $t, int $i): ?array
    {
        $start = $i;
        $digits = '';
        $doubled = false;
        while (isset($t[$i]) && strlen($digits) <= 40 && ($part = $this->spelling->digits($t, $i, $digits !== '')) !== null) {
            $doubled = $doubled || in_array($t[$i]->text, ['double', 'triple', 'treble'], true);
            $digits .= $part[0];
            $i += $part[1];
        }

        return $doubled && strlen($digits) <= 9 ? [$digits, $i - $start] : null;
    }

    /** @param list<int> $chunks 'nineteen ninety nine', 'two fifty', 'one five zero', 'four oh five' */
    private function joined(array $chunks): ?int
    {
        $digits = '';
        foreach ($chunks as $i => $chunk) {
            if ($chunk > 99 || ($i > 0 && $chunk < 10 && $chunks[$i - 1] >= 10 && $chunks[$i - 1] % 10 !== 0 && count($chunks) === 2)) {
                return null;
            }
            $digits .= $chunk;
        }

        return strlen($digits) <= 9 ? (int) $digits : null;
    }
}
