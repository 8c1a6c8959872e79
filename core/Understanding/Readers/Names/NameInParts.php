<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers\Names;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;

/** A name of two words with a pause between them, whichever comes first: 'Joy. Amadi.', 'Amadi, A M A D I, Joy', 'Amadi's the surname, Joy's my first name'. */
final readonly class NameInParts
{
    private const SURE = 0.86;

    /** Who says which is which. */
    private const FIRST = ['first name', 'given name', 'christian name', 'forename'];

    private const LAST = ['surname', 'last name', 'family name', 'second name'];

    public function __construct(private Vocabulary $words, private NameWords $word)
    {
    }

    public function reading(Heard $heard): ?Reading
    {
        $t = $heard->tokens;
        $named = $this->named($t);
        if ($named !== null) {
            return $this->of($heard, $named[0], $named[1]);
        }
        $t = $this->withoutSpelling($t);
        if (count($t) !== 2 || ! $t[1]->afterBreak() && count($t) === count($heard->tokens)) {
            return null;
        }
        $given = $this->words->set('given_names');
        $names = array_filter($t, fn (Token $token): bool => $this->word->plausible($token->text, true) && ! isset($this->words->set('function_words')[$token->text]));
        if (count($names) < 2) {
            return null;
        }

        return match (true) {
            isset($given[$t[1]->text]) && ! isset($given[$t[0]->text]) => $this->of($heard, $t[1]->text, $t[0]->text),
            isset($given[$t[0]->text]) && $this->isSurname($t[1]) => $this->of($heard, $t[0]->text, $t[1]->text),
            default => null,
        };
    }

    private function isSurname(Token $token): bool
    {
        return isset($this->words->set('surnames')[$token->text]) || preg_match('/^\p{Lu}/u', $token->original) === 1 && ! isset($this->words->set('given_names')[$token->text]);
    }

    /**
     * Letters that only spell the name before them.
     *
     * @param list<Token> $t
     *
     * @return list<Token>
     */
    private function withoutSpelling(array $t): array
    {
        $kept = [];
        for ($i = 0, $n = count($t); $i < $n;) {
            $letters = '';
            for ($k = $i; isset($t[$k]) && $t[$k]->isLetter(); $k++) {
                $letters .= $t[$k]->text;
            }
            if ($letters !== '' && $kept !== [] && $letters === $kept[count($kept) - 1]->text) {
                $i = $k;

                continue;
            }
            $kept[] = $t[$i++];
        }

        return $kept;
    }

    /**
     * 'Amadi's the surname, Joy's my first name': the label stands behind.
     *
     * @param list<Token> $t
     *
     * @return array{string, string}|null first and last
     */
    private function named(array $t): ?array
    {
        $line = implode(' ', array_map(static fn (Token $token): string => $token->text, $t));
        $behind = static fn (array $labels): ?string => preg_match("/(\\pL[\\pL'-]+?)(?:'s| is) (?:the|my|his|her) (?:".implode('|', $labels).')\b/u', $line, $m) === 1 ? $m[1] : null;
        [$first, $last] = [$behind(self::FIRST), $behind(self::LAST)];

        return $first === null || $last === null || $first === $last ? null : [$first, $last];
    }

    private function of(Heard $heard, string $first, string $last): Reading
    {
        return Reading::of($this->word->cased($first).' '.$this->word->cased($last), self::SURE, $heard->original, 0, strlen($heard->original));
    }
}
