<?php

declare(strict_types=1);

namespace Ringo\Understanding\Respelling;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;

/**
 * The words of a name or an address as they are spelled, once everything said about their spelling has been done to them: each remark
 * ('with a K', 'one l', 'i e at the end', letters one by one) changes the word it suits best, and is no word itself.
 */
final readonly class Respelled
{
    /** Below this a mark is about no word that was said. */
    private const SUITS = 0.5;

    /** A word further away suits less. */
    private const FARTHER = 0.06;

    /** Letters of a remark before those that spell the whole: 'with an e s, Y A T E S'. */
    private const REMARKED = 3;

    private MarkFinder $finder;

    private Edits $edits;

    /** @var array<string, true> */
    private array $beside;

    public function __construct(Vocabulary $words)
    {
        $this->finder = new MarkFinder($words);
        $this->edits = new Edits([$words->set('given_names'), $words->set('surnames')]);
        $this->beside = array_fill_keys($words->section('spelling', 'beside'), true);
    }

    /**
     * @param list<Token> $t
     *
     * @return list<Token>
     */
    public function of(array $t): array
    {
        $marks = $this->finder->in($t);
        $taken = [];
        foreach ($marks as $mark) {
            for ($i = $mark->from; $i < $mark->to; $i++) {
                $taken[$i] = true;
            }
        }
        $words = [];
        foreach ($t as $i => $token) {
            if (! isset($taken[$i]) && ! isset($this->beside[$token->text]) && preg_match("/^[a-z']{2,}$/", $token->text) === 1) {
                $words[$i] = $token->text;
            }
        }
        $kept = [];
        foreach ($marks as $mark) {
            if ($mark->kind === MarkKind::Explains || $this->spellsSeveral($mark, $t, $taken)) {
                continue;
            }
            $place = $this->target($mark, $words);
            if ($place === null) {
                $kept[] = $mark;

                continue;
            }
            $words[$place] = $this->done($mark, $words[$place]);
            // 'Daye: day with an e on the end' says it twice, once as it sounds.
            foreach (array_intersect([$place - 1, $place + 1], array_keys($words)) as $i) {
                if ($words[$i] !== $words[$place] && strlen($words[$place]) > 2 && $this->edits->of($mark, $words[$i]) === $words[$place]) {
                    $taken[$i] = true;
                    unset($words[$i]);
                }
            }
        }
        if (count($kept) === count($marks)) {
            return $t;
        }
        foreach ($kept as $mark) {
            for ($i = $mark->from; $i < $mark->to; $i++) {
                unset($taken[$i]);
            }
        }

        return $this->written($t, $taken, $words);
    }

    /**
     * 'Femi A, F E M I A' spells two words that stand together.
     *
     * @param list<Token> $t
     * @param array<int, true> $taken
     */
    private function spellsSeveral(Mark $mark, array $t, array $taken): bool
    {
        foreach (array_keys($t) as $i) {
            $joined = '';
            for ($j = $i; isset($t[$j]) && ! isset($taken[$j]) && str_starts_with($mark->letters, $joined.$t[$j]->text); $j++) {
                $joined .= $t[$j]->text;
            }
            if ($j > $i + 1 && $joined === $mark->letters) {
                return true;
            }
        }

        return false;
    }

    /** @param array<int, string> $words */
    private function target(Mark $mark, array $words): ?int
    {
        $best = null;
        $most = self::SUITS - 0.001;
        foreach ($words as $i => $word) {
            $steps = $i < $mark->from ? count(array_filter(array_keys($words), static fn (int $j): bool => $j > $i && $j < $mark->from)) : 1 + count(array_filter(array_keys($words), static fn (int $j): bool => $j >= $mark->to && $j < $i));
            $suits = max($this->edits->suits($mark, $word), $this->split($mark, $word) !== null ? 0.85 : 0.0) - self::FARTHER * $steps;
            if ($suits > $most) {
                [$best, $most] = [$i, $suits];
            }
        }

        return $best;
    }

    private function done(Mark $mark, string $word): string
    {
        return $this->split($mark, $word) ?? $this->edits->of($mark, $word) ?? $word;
    }

    /** 'White with a y w h y t e': the first letter is the remark, the rest spells. */
    private function split(Mark $mark, string $word): ?string
    {
        if (! $mark->loose || strlen($mark->letters) < 2 || str_contains($word, $mark->letters)) {
            return null;
        }
        for ($n = 1; $n <= min(self::REMARKED, strlen($mark->letters) - 1); $n++) {
            $rest = new Mark(MarkKind::Has, substr($mark->letters, $n), $mark->from, $mark->to, $mark->place);
            $whole = $this->edits->suits($rest, $word) > self::SUITS ? $this->edits->of($rest, $word) : null;
            if ($whole !== null && str_contains($whole, substr($mark->letters, 0, $n))) {
                return $whole;
            }
        }

        return null;
    }

    /**
     * @param list<Token> $t
     * @param array<int, true> $taken
     * @param array<int, string> $words
     *
     * @return list<Token>
     */
    private function written(array $t, array $taken, array $words): array
    {
        $tokens = [];
        $last = null;
        foreach ($t as $i => $token) {
            // What leads to a remark goes with it: 'that's', 'spelled'.
            for ($next = $i; isset($t[$next], $this->beside[$t[$next]->text]) && ! isset($taken[$next]); $next++);
            if (isset($taken[$i]) || isset($taken[$next]) && $next > $i) {
                continue;
            }
            $text = $words[$i] ?? $token->text;
            // 'Grahame, Graham with an e': said twice, it is one word.
            if ($last !== null && $text === $last && strlen($text) > 2) {
                continue;
            }
            $tokens[] = $text === $token->text ? $token : new Token($text, $text, $token->start, $token->end, $token->gap);
            $last = isset($this->beside[$text]) ? $last : $text;
        }

        return $tokens;
    }
}
