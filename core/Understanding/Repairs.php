<?php

declare(strict_types=1);

namespace Ringo\Understanding;

use Ringo\Language\Phrases;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;

/**
 * Cuts an utterance where the speaker repairs it: 'the twelfth, no, sorry, the thirteenth'.
 *
 * Each stretch replaces what came before as far as it goes; a restart takes everything back.
 */
final readonly class Repairs
{
    private const NO_REPAIR_BEFORE = [
        'problem',
        'worries',
        'thanks',
        'thank',
        'more',
        'less',
        'fewer',
        'later',
        'earlier',
        'spaces',
        'space',
        'dots',
        'dot',
        'gaps',
        'one',
        'idea',
        'need',
        'way',
        'chance',
        'doubt',
        'longer',
        'than',
        'capitals',
        'hyphen',
        'rush',
        'particular',
        'deposit',
        'vat',
        'lift',
        'bell',
        'stairs',
        'parking',
        'dog',
        'dogs',
        'sign',
        'answer',
        'postcode',
        'dot',
        'capital',
        'gap',
    ];

    /** Words behind a 'so' that conclude nothing. */
    private const NO_CONCLUSION = [
        'that',
        'as',
        'we',
        'i',
        "i'm",
        "i'd",
        "i'll",
        "i've",
        'they',
        "they're",
        'he',
        'she',
        "he's",
        "she's",
        'it',
        'what',
        "what's",
        'you',
        "you'll",
        'can',
        'do',
        'never',
        'if',
        'not',
        'much',
        'many',
        'far',
        'anything',
        'long',
        'no',
    ];

    /** Words at which what is not meant ends, and what is begins. */
    private const TURNS = ['but', 'its', "it's", "that's", 'it', 'could', 'can', 'would', "i'd", 'i', 'we', "let's", 'please'];

    private Numerals $numerals;

    public function __construct(private Vocabulary $words)
    {
        $this->numerals = new Numerals($words);
    }

    /**
     * @param list<Token> $tokens
     * @param bool $sums whether what is concluded replaces what it is concluded from: 'two adults, two kids, so four'
     *
     * @return list<array{tokens: list<Token>, restart: bool}> never empty
     */
    public function stretches(array $tokens, bool $sums = false): array
    {
        $tokens = $sums ? $this->withoutConditional($tokens) : $tokens;
        $conclusions = $sums ? $this->words->phrases('talk', 'conclusions') : null;
        $marks = $this->words->phrases('talk', 'corrections');
        $restarts = $this->words->phrases('talk', 'restarts');
        $stretches = [];
        $current = [];
        $restart = false;
        for ($i = 0, $n = count($tokens); $i < $n;) {
            $again = $restarts->at($tokens, $i);
            $mark = $again === null ? $marks->at($tokens, $i) : null;
            if ($mark !== null && ! $this->repairs($tokens, $i, $mark[1])) {
                $mark = null;
            }
            $mark ??= $again === null && $conclusions !== null && $current !== [] ? $this->conclusion($conclusions, $tokens, $i) : null;
            if ($again === null && $mark === null) {
                $current[] = $tokens[$i++];

                continue;
            }
            $stretches[] = ['tokens' => $current, 'restart' => $restart];
            $current = [];
            $restart = $again !== null;
            $i += ($again ?? $mark)[1];
        }
        $stretches[] = ['tokens' => $current, 'restart' => $restart];
        $last = count($stretches) - 1;
        if ($last > 0 && $stretches[$last]['tokens'] === [] && $current === []) {
            $stretches = $this->trailing($stretches);
        }
        $full = array_values(array_filter($stretches, static fn (array $stretch): bool => $stretch['tokens'] !== []));

        return $full === [] ? [$stretches[0]] : $full;
    }

    /**
     * 'Three ninety nine, three hundred and ninety nine I mean': the mark stands behind what puts right.
     *
     * @param list<array{tokens: list<Token>, restart: bool}> $stretches the last is empty
     *
     * @return list<array{tokens: list<Token>, restart: bool}>
     */
    private function trailing(array $stretches): array
    {
        array_pop($stretches);
        $before = array_pop($stretches) ?? ['tokens' => [], 'restart' => false];
        $at = 0;
        foreach ($before['tokens'] as $i => $token) {
            $at = $i > 0 && $token->afterBreak() ? $i : $at;
        }

        return [
            ...$stretches,
            ['tokens' => array_slice($before['tokens'], 0, $at), 'restart' => $before['restart']],
            ['tokens' => array_slice($before['tokens'], $at), 'restart' => false],
        ];
    }

    /**
     * 'So four', 'call it six', 'say the twelfth', behind a pause or 'and'.
     *
     * @param Phrases<mixed> $conclusions
     * @param list<Token> $tokens
     *
     * @return array{mixed, int}|null
     */
    private function conclusion(Phrases $conclusions, array $tokens, int $i): ?array
    {
        $hit = $conclusions->at($tokens, $i);
        $next = $hit === null ? null : ($tokens[$i + $hit[1]] ?? null);
        // 'So what's that', 'so I can', 'so it moves' conclude nothing.
        if ($hit === null || $next === null || in_array($next->text, self::NO_CONCLUSION, true)) {
            return null;
        }

        return $hit[1] > 1 || $tokens[$i]->text === 'so' || $tokens[$i]->afterBreak() ? $hit : null;
    }

    /**
     * Leaves out what would only be under a condition, where something was said without one: 'two, three if mum comes'.
     *
     * @param list<Token> $tokens
     *
     * @return list<Token>
     */
    private function withoutConditional(array $tokens): array
    {
        $conditions = $this->words->phrases('talk', 'conditions');
        if (! $conditions->in($tokens)) {
            return $tokens;
        }
        $parts = [];
        foreach ($tokens as $token) {
            if ($parts === [] || $token->afterBreak()) {
                $parts[] = [];
            }
            $parts[count($parts) - 1][] = $token;
        }
        $polite = $this->words->phrases('talk', 'polite_conditions');
        $kept = [];
        $told = false;
        foreach ($parts as $part) {
            if (! $told || ! $conditions->in($part) || $polite->in($part)) {
                $kept = [...$kept, ...$part];
            }
            $told = $told || $this->tells($part);
        }

        return $kept;
    }

    /** @param list<Token> $part whether it holds a number or a day, to which what is conditional would be another */
    private function tells(array $part): bool
    {
        $days = $this->words->section('calendar', 'weekdays') + $this->words->section('calendar', 'months');
        foreach ($part as $i => $token) {
            if (isset($days[$token->text]) || $this->numerals->at($part, $i) !== null || $this->numerals->ordinal($part, $i) !== null) {
                return true;
            }
        }

        return false;
    }

    /**
     * Leaves out what is said not to be: 'not Monday', 'not the fifteenth but'.
     *
     * @param list<Token> $tokens
     *
     * @return list<Token>
     */
    public function withoutDenied(array $tokens): array
    {
        $kept = [];
        $skipping = false;
        $own = 0;
        $saveFor = $this->words->phrases('talk', 'save_for');
        foreach ($tokens as $i => $token) {
            if ($skipping && $i >= $own && ($token->afterBreak() || in_array($token->text, self::TURNS, true))) {
                $skipping = false;
            }
            if ($token->text === 'not' && ! in_array($tokens[$i + 1]->text ?? '', ['sure', 'before', 'after', 'until', 'later', 'earlier', 'certain', 'far', 'too', 'bad', 'that'], true)) {
                $skipping = true;
            }
            $away = $saveFor->at($tokens, $i);
            if ($away !== null) {
                $skipping = true;
                $own = $i + $away[1];
            }
            if (! $skipping) {
                $kept[] = $token;
            }
        }

        return $kept;
    }

    /** @param list<Token> $tokens */
    private function repairs(array $tokens, int $i, int $length): bool
    {
        $word = $tokens[$i]->text;
        $next = $tokens[$i + $length]->text ?? '';
        if ($word === 'no' && $length === 1 && in_array($next, self::NO_REPAIR_BEFORE, true) && ! ($next === 'dot' && $tokens[$i]->afterBreak()) && ! $tokens[$i + 1]->afterBreak()) {
            return false;
        }
        if ($word === 'rather' && ($next === 'than' || in_array($tokens[$i - 1]->text ?? '', ["i'd", 'would', 'id', "we'd"], true))) {
            return false;
        }
        if (in_array($word, ['make', 'call'], true) && $length === 2 && $i > 0 && in_array($tokens[$i - 1]->text, ['to', 'can', "can't", 'could', 'will', "i'll"], true)) {
            return false;
        }

        return true;
    }
}
