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
use Ringo\Understanding\When\ClockFinder;
use Ringo\Understanding\When\DayFinder;

/** Reads a plain number: 'twelve hundred', 'half a dozen', 'two and a half', 'a couple'. Ranges and vague amounts are none. */
final readonly class NumberReader implements Reader
{
    private Numerals $numerals;

    private NumberFinder $finder;

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

    private const BEHIND_AN_AGE = ['year', 'years', 'months', 'th', 'birthday'];

    public function __construct(private Vocabulary $words)
    {
        $this->numerals = new Numerals($words);
        $this->finder = new NumberFinder($words, $this->numerals);
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
            // 'Not more than forty' denies nothing, where a limit is asked for.
            $t = $context->most || $context->asked && $context->people ? $this->words->phrases('numbers', 'up_to')->without($stretch['tokens']) : ($context->least ? $this->words->phrases('numbers', 'from_up')->without($stretch['tokens']) : $stretch['tokens']);
            $t = $this->repairs->withoutDenied($t);
            $vague = $this->vague($t);
            $t = $this->words->phrases('talk', 'about')->without($t);
            $found = $this->party->withoutSome($t, $this->numbers($t, $context));
            $party = $vague === null && $context->people ? $this->party->whole($t, $found) : null;
            $party ??= $vague === null && $context->asked ? $this->byPlace($t, $found) : null;
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
     * 'Four at the front, five at the back': told by where they are, they are added up.
     *
     * @param list<Token> $t
     * @param list<array{int|float, int, int}> $numbers
     *
     * @return array{int|float, int, int}|null the sum, first and last token
     */
    private function byPlace(array $t, array $numbers): ?array
    {
        // 'Eleven plus two subs'
        if (count($numbers) === 2 && ($t[$numbers[1][1] - 1]->text ?? '') === 'plus') {
            return [$numbers[0][0] + $numbers[1][0], $numbers[0][1], $numbers[1][2]];
        }
        $places = $this->words->section('numbers', 'by_place');
        $placed = [];
        foreach ($numbers as $number) {
            $next = $t[$number[2] + 1] ?? null;
            if (in_array($t[$number[2] + 2]->text ?? '', ['all', 'total'], true)) {
                return $number;
            }
            if ($next !== null && ! $next->afterBreak() && in_array($next->text, $places, true)) {
                $placed[] = $number;
            }
        }
        $sum = array_sum(array_column($placed, 0));
        // 'Nine, four at the front and five at the back'
        $whole = count($placed) === count($numbers) || count($placed) === count($numbers) - 1 && $numbers[0][0] === $sum;

        return count($placed) < 2 || ! $whole ? null : [$sum, $numbers[0][1], $numbers[count($numbers) - 1][2] + 1];
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
        $all = $this->finder->all($t);
        if (count($all) < 2) {
            return $all !== [] ? $all : ($context->nth ? $this->finder->nth($t) : $this->finder->lone($t));
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

    /** @param list<Token> $t */
    private function vague(array $t): ?string
    {
        $line = ' '.implode(' ', array_map(static fn (Token $token): string => $token->text, $t)).' ';
        $line = str_replace([' or so ', ' or thereabouts ', ' give or take '], ' ', $line);
        if (($bound = $this->numerals->bound($t)) !== null) {
            return "“{$bound}” is not an exact number";
        }
        foreach ($this->words->section('numbers', 'vague') as $phrase) {
            if (str_contains($line, " {$phrase} ") && ! (in_array($phrase, ['some', 'few', 'many', 'most', 'enough', 'loads', 'lots', 'a lot', 'plenty', 'not many'], true) && $this->finder->all($t) !== [])) {
                return "“{$phrase}” is not an exact number";
            }
        }
        $found = $this->finder->all($t);
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
                && ! ($t[$last + 1]->text === 'plus' && isset($t[$last + 2]) && $this->numerals->cardinal($t, $last + 2) !== null)
                && $t[$last + 1]->text !== 'ish'
                && ! $t[$last + 1]->afterBreak()
            ) {
                return 'that is not an exact number';
            }
        }

        return null;
    }
}
