<?php

declare(strict_types=1);

namespace Ringo\Understanding;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;

/**
 * How many people words tell of: 'two adults and two children' are four, 'six of us, two of them kids' are six, 'me and my wife' are two;
 * and 'one of us is coeliac' is no number of people at all.
 */
final readonly class Party
{
    /** Words after 'of us' by which something is said of some of them. */
    private const SAYS_OF_SOME = [
        'is',
        'are',
        'has',
        'have',
        'had',
        'was',
        'were',
        'will',
        'would',
        'can',
        "can't",
        'cannot',
        "doesn't",
        "don't",
        "isn't",
        "aren't",
        'needs',
        'need',
        'wants',
        'want',
        'might',
        'may',
        'cant',
        'doesnt',
        'dont',
        'uses',
        'use',
        'eats',
        'eat',
        "won't",
    ];

    /** @var array<string, true> */
    private array $people;

    /** @var array<string, true> */
    private array $kin;

    public function __construct(Vocabulary $words)
    {
        $this->people = array_fill_keys($words->section('numbers', 'people'), true);
        $this->kin = array_fill_keys($words->section('numbers', 'kin'), true);
    }

    /**
     * The numbers without those that count only some: 'one of us is coeliac'.
     *
     * @param list<Token> $t
     * @param list<array{int|float, int, int}> $numbers value, first and last token
     *
     * @return list<array{int|float, int, int}>
     */
    public function withoutSome(array $t, array $numbers): array
    {
        return array_values(array_filter($numbers, function (array $number) use ($t): bool {
            $there = array_filter(
                array_slice($t, max(0, $number[1] - 3), min(3, $number[1])),
                static fn (Token $token): bool => in_array($token->text, ['there', "there's", "there'll", 'theres'], true),
            );

            return $there !== []
                || $this->text($t, $number[2] + 1) !== 'of'
                || ! in_array($this->text($t, $number[2] + 2), ['us', 'them', 'our', 'my'], true)
                || ! in_array($this->text($t, $number[2] + 3), self::SAYS_OF_SOME, true);
        }));
    }

    /**
     * The whole party, where several numbers tell of it or none does.
     *
     * @param list<Token> $t
     * @param list<array{int|float, int, int}> $numbers
     *
     * @return array{int, int, int}|null value, first and last token
     */
    public function whole(array $t, array $numbers): ?array
    {
        $self = $this->listed($t, $numbers) ?? $this->selfAnd($t, $numbers);
        if ($self !== null) {
            return $self;
        }
        $totals = array_values(array_filter(
            $numbers,
            fn (array $number): bool => $this->text($t, $number[2] + 1) === 'of' && $this->text($t, $number[2] + 2) === 'us' || in_array($this->text($t, $number[2] + 1), ['altogether', 'people', 'persons'], true) || in_array($this->text($t, $number[2] + 1).' '.$this->text($t, $number[2] + 2), ['in total', 'in all', 'all together', 'all told'], true),
        ));
        $parts = array_values(array_filter($numbers, fn (array $number): bool => ! in_array($number, $totals, true) && $this->counts($t, $number)));
        $one = $this->single($t);
        // 'Four adults and a baby'; 'three generations, nine in all'
        $others = count($totals) + count($parts) < count($numbers) && count($totals) !== 1;
        if (count($numbers) < 2 && ($one === 0 || $parts === []) || $others) {
            return null;
        }
        $sum = (int) array_sum(array_column($parts, 0)) + $one;
        if (count($totals) === 1) {
            return $sum <= $totals[0][0] ? [(int) $totals[0][0], $totals[0][1], $totals[0][2]] : null;
        }

        return $totals === [] ? [$sum, $parts[0][1], $parts[count($parts) - 1][2]] : null;
    }

    /**
     * 'My wife, two kids and me'
     *
     * @param list<Token> $t
     * @param list<array{int|float, int, int}> $numbers
     *
     * @return array{int, int, int}|null
     */
    private function listed(array $t, array $numbers): ?array
    {
        $texts = array_map(static fn (Token $token): string => $token->text, $t);
        $self = array_filter(array_keys($t), fn (int $i): bool => in_array($texts[$i], ['me', 'myself'], true) || $texts[$i] === 'i' && $this->text($t, $i - 1) === 'and') !== [];
        $kin = array_filter(array_keys($t), fn (int $i): bool => isset($this->kin[$texts[$i]]) && in_array($this->text($t, $i - 1), ['my', 'the', 'our', 'and'], true));
        $people = array_filter($numbers, fn (array $number): bool => $this->counts($t, $number));
        if (! $self || ! in_array('and', $texts, true) || $kin === [] || count($kin) + count($people) < 2 || count($people) < count($numbers)) {
            return null;
        }

        return [1 + count($kin) + (int) array_sum(array_column($people, 0)), 0, count($t) - 1];
    }

    /**
     * 'Me and my wife', 'my wife and I', 'me and three friends'.
     *
     * @param list<Token> $t
     * @param list<array{int|float, int, int}> $numbers
     *
     * @return array{int, int, int}|null
     */
    private function selfAnd(array $t, array $numbers): ?array
    {
        foreach ($t as $i => $token) {
            if (in_array($token->text, ['me', 'myself'], true) && in_array($this->text($t, $i + 1), ['and', 'plus'], true)) {
                $number = array_values(array_filter($numbers, static fn (array $one): bool => $one[1] === $i + 2))[0] ?? null;
                if ($number !== null && count($numbers) === 1 && ! isset($t[$number[2] + 3])) {
                    return [(int) $number[0] + 1, $i, $number[2]];
                }
                if ($this->text($t, $i + 2) === 'one' && $numbers === [] && ! isset($t[$i + 3])) {
                    return [2, $i, $i + 2];
                }
                $kin = isset($this->kin[$this->text($t, $i + 3)]) ? $i + 3 : (isset($this->kin[$this->text($t, $i + 2)]) ? $i + 2 : null);
                if ($kin !== null && $numbers === [] && $this->text($t, $kin + 1) !== 'and') {
                    return [2, $i, $kin];
                }
            }
            if (
                isset($this->kin[$token->text])
                && $this->text($t, $i + 1) === 'and'
                && in_array($this->text($t, $i + 2), ['i', 'me', 'myself'], true)
                && $numbers === []
            ) {
                return [2, $i, $i + 2];
            }
        }

        return null;
    }

    /**
     * Whether a number counts people: 'two small children'.
     *
     * @param list<Token> $t
     * @param array{int|float, int, int} $number
     */
    private function counts(array $t, array $number): bool
    {
        $of = $this->text($t, $number[2] + 1) === 'of' && in_array($this->text($t, $number[2] + 2), ['them', 'us'], true) ? 2 : 0;
        $number[2] += $of;

        return isset($this->people[$this->text($t, $number[2] + 1)])
            || isset($this->people[$this->text($t, $number[2] + 2)])
            && ! $t[$number[2] + 1]->afterBreak()
            && ! $t[$number[2] + 2]->afterBreak();
    }

    /** @param list<Token> $t how many come singly: 'and a baby' */
    private function single(array $t): int
    {
        return count(array_filter(
            array_keys($t),
            fn (int $i): bool => in_array($this->text($t, $i), ['a', 'an'], true) && isset($this->people[$this->text($t, $i + 1)]),
        ));
    }

    /** @param list<Token> $t */
    private function text(array $t, int $i): string
    {
        return $t[$i]->text ?? '';
    }
}
