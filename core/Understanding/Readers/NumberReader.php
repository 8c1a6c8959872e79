<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Numerals;
use Ringo\Understanding\Party;
use Ringo\Understanding\Reader;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Repairs;
use Ringo\Understanding\Spelling;
use Ringo\Understanding\When\ClockFinder;
use Ringo\Understanding\When\DayFinder;

/** Reads a plain number: 'twelve hundred', 'half a dozen', 'two and a half', 'a couple'. Ranges and vague amounts are none. */
final readonly class NumberReader implements Reader
{
    private Numerals $numerals;

    private Spelling $spelling;

    private Repairs $repairs;

    private DayFinder $days;

    private ClockFinder $clocks;

    private Party $party;

    private AgeTold $ages;

    /** How sure a number of people is that was added up: it is read back. */
    private const ADDED_UP = 0.75;

    /** Words before a bare number that may be an hour. */
    private const BEFORE_HOURS = ['was', 'at', 'around', 'by', 'till', 'until', 'from', 'after', 'before', 'past', 'since', 'about', 'half'];

    private const BEFORE_AN_AGE = ['be', 'turning', 'turns', 'turned', 'aged', 'age', 'reaches', 'hits', "she's", "he's", "i'm", 'nearly'];

    /** Words between an 'if' and the 'one' it ends with. */
    private const SUPPOSED_WITHIN = 5;

    private const BEHIND_AN_AGE = ['year', 'years', 'months', 'th', 'birthday'];

    public function __construct(private Vocabulary $words)
    {
        $this->numerals = new Numerals($words);
        $this->spelling = new Spelling($words);
        $this->repairs = new Repairs($words);
        $this->party = new Party($words);
        $this->ages = new AgeTold($words);
        $this->days = new DayFinder($words, $this->numerals);
        $this->clocks = new ClockFinder($words, $this->numerals);
    }

    public function read(Heard $heard, Context $context): Reading
    {
        $age = $this->ages->in($heard, $context);
        if ($age !== null) {
            return $age;
        }
        $best = null;
        $doubt = null;
        foreach ($this->repairs->stretches($heard->tokens, true) as $stretch) {
            if ($stretch['restart']) {
                $best = $doubt = null;
            }
            $t = $this->repairs->withoutDenied($stretch['tokens']);
            $t = $context->most || $context->asked && $context->people ? $this->words->phrases('numbers', 'up_to')->without($t) : $t;
            $vague = $this->vague($t);
            $t = $this->words->phrases('talk', 'about')->without($t);
            $found = $this->party->withoutSome($t, $this->numbers($t, $context));
            $party = $vague === null && $context->people ? $this->party->whole($t, $found) : null;
            if ($party !== null) {
                $doubt = null;
                [$from, $to] = [$t[$party[1]]->start, $t[$party[2]]->end];
                $best = Reading::of($party[0], self::ADDED_UP, $heard->between($from, $to), $from, $to);

                continue;
            }
            $found = $context->asked ? $found : $this->noHours($t, $found, $context);
            if ($found === [] && $vague === null) {
                continue;
            }
            // 'Two, eight and eleven': how many, and each of them.
            if (count($found) > 2 && $found[0][0] === count($found) - 1 && ($t[$found[0][2] + 1] ?? null)?->afterBreak() === true) {
                $found = [$found[0]];
            }
            $values = array_unique(array_column($found, 0));
            if ($vague !== null || count($values) > 1 || $this->ofTwoThings($t, $found)) {
                $doubt = $vague ?? 'more than one number was named: '.implode(', ', $values);
                $best = null;

                continue;
            }
            $doubt = null;
            [$value, $from, $to] = $found[0];
            $best = Reading::of($value, $context->asked ? 0.62 + 0.36 * $heard->explained($t[$from]->start, $t[$to]->end, $this->words) : 0.85, $heard->between($t[$from]->start, $t[$to]->end), $t[$from]->start, $t[$to]->end);
        }

        return $best ?? Reading::none($doubt);
    }

    /**
     * 'One wheelchair and one companion' is not one.
     *
     * @param list<Token> $t
     * @param list<array{int|float, int, int}> $numbers
     */
    private function ofTwoThings(array $t, array $numbers): bool
    {
        $little = $this->words->set('function_words');
        $things = [];
        foreach ($numbers as [, , $last]) {
            $next = $t[$last + 1] ?? null;
            if ($next === null || $next->afterBreak() || isset($little[$next->text])) {
                return false;
            }
            $things[$next->text] = true;
        }

        return count($things) > 1;
    }

    /**
     * What nobody asked for is not taken from a bare number that may be an hour: 'it was seven', 'until eight'.
     *
     * @param list<Token> $t
     * @param list<array{int|float, int, int}> $numbers
     *
     * @return list<array{int|float, int, int}>
     */
    private function noHours(array $t, array $numbers, Context $context): array
    {
        return array_values(array_filter($numbers, static function (array $number) use ($t, $context): bool {
            $next = $t[$number[2] + 1] ?? null;
            $bare = $next === null || $next->afterBreak();

            $before = $t[$number[1] - 1]->text ?? '';
            // 'My mum is turning seventy' counts nobody, but tells how old she is.
            $age = $context->unit !== 'Y' && (in_array($before, self::BEFORE_AN_AGE, true) || in_array($next?->text, self::BEHIND_AN_AGE, true));

            return ! $age && (! $bare || ! in_array($before, self::BEFORE_HOURS, true));
        }));
    }

    /**
     * @param list<Token> $t
     *
     * @return list<array{int|float, int, int}> value, first and last token
     */
    private function numbers(array $t, Context $context): array
    {
        $all = $this->allNumbers($t);
        if (count($all) < 2) {
            return $all !== [] ? $all : ($context->nth ? $this->nth($t) : $this->lone($t));
        }
        // Numbers that belong to a day or a time beside the one asked for are left aside.
        $taken = [];
        $days = $this->days->find($t, $context);
        foreach ([...$days, ...$this->clocks->find($t, $context, $days, false)] as $span) {
            for ($i = $span->from; $i < $span->end(); $i++) {
                $taken[$i] = true;
            }
        }
        $free = array_values(array_filter($all, static fn (array $number): bool => ! isset($taken[$number[1]])));

        if ($free === []) {
            // 'For four tonight at eight'
            $free = array_values(array_filter($all, static fn (array $number): bool => ($t[$number[1] - 1]->text ?? '') !== 'at'));
        }

        return $free !== [] ? $free : $all;
    }

    /**
     * @param list<Token> $t
     *
     * @return list<array{int|float, int, int}>
     */
    private function allNumbers(array $t): array
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
            if ($single !== null && ! ($t[$i]->text === 'one' && $this->supposed($t, $i)) && ! ($t[$i]->text === 'one' && $single->length === 1 && $i > 0 && ! $t[$i]->afterBreak() && ! in_array($t[$i - 1]->text, ['just', 'only', 'is', 'for', 'of', 'number', "it's", "that's", 'say', 'the', 'and', 'need', 'want', 'be', 'got', 'have', 'with', 'at', 'a'], true))) {
                if ($t[$i]->text !== 'second') {
                    $found[] = [$single->plain(), $i, $i + $single->length - 1];
                }
                $i += $single->length;

                continue;
            }
            $i++;
        }

        return $found;
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
    private function nth(array $t): array
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
    private function lone(array $t): array
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

    /** @param list<Token> $t */
    private function vague(array $t): ?string
    {
        $line = ' '.implode(' ', array_map(static fn (Token $token): string => $token->text, $t)).' ';
        $line = str_replace([' or so ', ' or thereabouts ', ' give or take '], ' ', $line);
        if (($bound = $this->numerals->bound($t)) !== null) {
            return "“{$bound}” is not an exact number";
        }
        foreach ($this->words->section('numbers', 'vague') as $phrase) {
            if (str_contains($line, " {$phrase} ") && ! (in_array($phrase, ['some', 'few', 'many', 'most', 'enough', 'loads', 'lots', 'a lot', 'plenty', 'not many'], true) && $this->allNumbers($t) !== [])) {
                return "“{$phrase}” is not an exact number";
            }
        }
        $found = $this->allNumbers($t);
        if (count($found) > 0 && ($t[$found[0][1] - 1]->text ?? '') === 'between') {
            return 'that is a range or a choice of numbers';
        }
        for ($i = 1; $i < count($found); $i++) {
            $between = array_map(static fn (Token $token): string => $token->text, array_slice($t, $found[$i - 1][2] + 1, $found[$i][1] - $found[$i - 1][2] - 1));
            $gap = $t[$found[$i][1]]->gap;
            if ($between === ['or'] || $between === ['to'] || $between === ['maybe'] || $between === ['or', 'maybe'] || $between === [] && preg_match('/^\s?[-–]\s?$/u', $gap) === 1) {
                return 'that is a range or a choice of numbers';
            }
        }
        foreach ($found as [, , $last]) {
            $tail = implode(' ', array_map(static fn (Token $token): string => $token->text, array_slice($t, $last + 1, 4)));
            if (preg_match('/^(?:of them |people |of us )?(?:at (?:the )?(?:very )?(?:most|least)|max|maximum|minimum|tops|or (?:more|fewer|less)|or so more)\b/', $tail) === 1) {
                return 'that is a bound, not an exact number';
            }
            if (
                in_array($t[$last + 1]->text ?? '', ['odd', 'something', 'plus', 'ish'], true)
                && $t[$last + 1]->text !== 'ish'
                && ! $t[$last + 1]->afterBreak()
            ) {
                return 'that is not an exact number';
            }
        }

        return null;
    }
}
