<?php

declare(strict_types=1);

namespace Ringo\Understanding;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;

/**
 * Cuts an utterance where the speaker repairs it: 'the twelfth, no, sorry, the thirteenth'.
 *
 * Each stretch replaces what came before as far as it goes; a restart takes everything back.
 */
final readonly class Repairs
{
    private const NO_REPAIR_BEFORE = ['problem', 'worries', 'thanks', 'thank', 'more', 'less', 'fewer', 'later', 'earlier', 'spaces', 'space', 'dots', 'dot', 'gaps', 'one', 'idea', 'need', 'way', 'chance', 'doubt', 'longer', 'than', 'capitals', 'hyphen', 'rush', 'particular', 'deposit', 'vat'];

    /** Words at which what is not meant ends, and what is begins. */
    private const TURNS = ['but', 'its', "it's", "that's", 'it', 'could', 'can', 'would', "i'd", 'i', 'we', "let's", 'please'];

    public function __construct(private Vocabulary $words)
    {
    }

    /**
     * @param list<Token> $tokens
     *
     * @return list<array{tokens: list<Token>, restart: bool}> never empty
     */
    public function stretches(array $tokens): array
    {
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
        $full = array_values(array_filter($stretches, static fn (array $stretch): bool => $stretch['tokens'] !== []));

        return $full === [] ? [$stretches[0]] : $full;
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
