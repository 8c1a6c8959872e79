<?php

declare(strict_types=1);

namespace Ringo\Understanding;

use Ringo\Language\Token;
use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;

/**
 * One utterance: the words as they came, and the same with the recogniser's and the speaker's noise taken out.
 *
 * The original is kept; every token knows its place in it.
 */
final readonly class Heard
{
    /** Four letters and more that tell nothing beside a value: 'it's the visitor ones'. */
    private const LEADS_UP = ['ones', "it's", "that's", "it'll", "it'd", "that'd", "that'll", "they're", "there's"];

    /** Behind these, what is said of 'you' is meant. */
    private const BEFORE_YOU = ['do', 'did', "don't", "didn't", 'does', 'can', "can't", 'could', 'will', 'would', 'if', 'should', 'as', 'when', 'once', 'unless', 'what', 'how', 'who', 'might', 'may', 'that'];

    /**
     * @param list<Token> $tokens cleaned
     * @param list<Token> $all as they came
     */
    private function __construct(public string $original, public array $tokens, public array $all)
    {
    }

    public static function of(string $original, Vocabulary $words): self
    {
        if (! mb_check_encoding($original, 'UTF-8')) {
            $original = mb_convert_encoding($original, 'UTF-8', 'ISO-8859-1');
        }
        $original = mb_substr($original, 0, 4000);
        $straight = str_replace(['’', '‘', '`'], "'", $original);
        $all = (new Tokenizer)->tokens($straight);
        $tokens = self::unstutter(self::unfilled($all, $words), $words);

        return new self($straight, $tokens, $all);
    }

    /** What was heard after cleaning, as one line. */
    public function cleaned(): string
    {
        return implode(' ', array_map(static fn (Token $token): string => $token->text, $this->tokens));
    }

    public function isEmpty(): bool
    {
        return $this->tokens === [];
    }

    /**
     * The same utterance, seen through fewer tokens.
     *
     * @param list<Token> $tokens
     */
    public function only(array $tokens): self
    {
        return new self($this->original, $tokens, $this->all);
    }

    /** The original words between two byte offsets. */
    public function between(int $start, int $end): string
    {
        return substr($this->original, $start, $end - $start);
    }

    /** Share of the content words that lie between two byte offsets, from 0 to 1. */
    public function explained(int $start, int $end, Vocabulary $words): float
    {
        $small = $words->phrases('talk', 'soft', 'about', 'corrections');
        $inside = 0;
        $outside = 0;
        foreach ($small->without($this->tokens) as $token) {
            if ($token->start >= $start && $token->end <= $end) {
                $inside++;
            } elseif (strlen($token->text) > 3 && ! in_array($token->text, self::LEADS_UP, true)) {
                $outside++;
            }
        }

        return $inside === 0 ? 0.5 : $inside / ($inside + 0.5 * $outside);
    }

    /**
     * @param list<Token> $all
     *
     * @return list<Token> without 'um' and 'er'; 'HM' and 'ER' of a code stay
     */
    private static function unfilled(array $all, Vocabulary $words): array
    {
        $codes = [];
        $guarded = [];
        foreach ($all as $i => $token) {
            $next = $all[$i + 1] ?? null;
            // 'Do you know any …', 'can you see it' are no fillers.
            $asked = $token->text === 'you' && in_array($all[$i - 1]->text ?? '', self::BEFORE_YOU, true);
            if ($asked || preg_match('/^\p{Lu}{2,3}$/u', $token->original) === 1 && $next !== null && ($next->isDigits() || in_array($next->text, ['then', 'and'], true) && ($all[$i + 2] ?? null)?->isDigits() === true)) {
                $codes[$token->start] = $token;
                $guarded[] = new Token('§'.$token->text, $token->original, $token->start, $token->end, $token->gap);
            } else {
                $guarded[] = $token;
            }
        }
        $kept = $words->phrases('talk', 'fillers')->without($guarded);

        return $codes === [] ? $kept : array_map(static fn (Token $token): Token => isset($codes[$token->start]) ? $codes[$token->start]->withGap($token->gap) : $token, $kept);
    }

    /**
     * @param list<Token> $tokens
     *
     * @return list<Token> without 'the the', 'I I', 'on on'
     */
    private static function unstutter(array $tokens, Vocabulary $words): array
    {
        $digits = $words->section('numbers', 'zero') + $words->section('numbers', 'units') + $words->section('numbers', 'teens') + $words->section('numbers', 'tens');
        $kept = [];
        $last = null;
        foreach ($tokens as $i => $token) {
            // 'eightish', 'twentyish'
            if (str_ends_with($token->text, 'ish') && isset($digits[substr($token->text, 0, -3)])) {
                $token = new Token(substr($token->text, 0, -3), $token->original, $token->start, $token->end, $token->gap);
            }
            $repeatable = isset($digits[$token->text]) || preg_match('/^[\d£$€]/', $token->text) === 1 || ($token->isLetter() && ! in_array($token->text, ['i', 'a'], true)) || in_array($token->text, ['no', 'yes', 'bye', 'ha', 'double'], true);
            // The 'A A four' of a reference
            $next = $tokens[$i + 1] ?? null;
            $repeatable = $repeatable || $token->isLetter() && $next !== null && ($next->isDigits() || isset($digits[$next->text]) && $token->original === 'A');
            if ($last !== null && $last->text === $token->text && ! $repeatable && ! $token->glued()) {
                continue;
            }
            $kept[] = $last = $token;
        }

        return $kept;
    }
}
